// The full report of the core in plain C++, for comparison: the same formulas, the same 1024 rigs, the library's own functions.
// Compiled with -O3 by ./dev bench; prints nanoseconds a report and a checksum that the C# loop must agree with.
#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <limits>
#include <vector>

namespace {

constexpr double inf = std::numeric_limits<double>::infinity();
constexpr double nan_ = std::numeric_limits<double>::quiet_NaN();
constexpr double degrees = 180 / M_PI;

struct Rig {
  double w, h, f, n, k, squeeze, px, py, iso, body, nearest, largest;
};
struct Scene {
  double d = 2200, b = 3900, aspect = 16.0 / 9, width_px = 3840, lens = 1600, figure = 1750, sideways = 100, ev = 9, fps = 25, angle = 180, mains = 50;
};
struct Conventions {
  double w = 36, h = 24, divisor = 1500;
};
struct Place {
  double f, s, v, racked;
};

struct Report {
  double used_w, used_h, desqueezed, aspect, used_px, used_py, enlargement, punch_left;
  double diagonal, width, height, delivered, chosen, sensor_step, mode_step, punch_step, shape_step, optics_step, chain;
  double f0, n0, f, f_across, n, gain, eq_f, eq_n, eq_n_across, iso_factor;
  double angle_h, angle_v, angle_d, edge, circle, hyperfocal, nearest, farthest, largest;
  double m, focused_f, s, v, racked, pupil, a, b, working, field_w, field_h, back_w, back_h, angle_f, tolerance, near, far, in_front,
      behind, disc, disc_h, disc_w, airy, face, size, parallax, head_s, feet_s, head_b, feet_b;
  double desq_px, desq_py, waste, ideal, time, fps, slow, bellows, working_t, needed, setting, left, filter, iso_needed, flickers, safe;
  double steps, unsteady, shift, shim, by_mount;
  unsigned reasons;
};

struct Travel {
  double f, g, largest;
  Place at(double i) const {
    double x = f + g * i, v = x * (1 + i);
    return {x, x * v / (x * i), v, i};
  }
  double slope(double i) const {
    double x = f + g * i, v = x * (1 + i), vs = g * (1 + i) + x, fv = x * v, fvs = g * v + x * vs, A = x * i, As = x + g * i;
    return vs * A * A - (As * fv - A * fvs);
  }
  double nearest_ring() const {
    double low = 0, high = largest;
    if (slope(high) <= 0) return high;
    for (int n = 0; n < 60; n++) {
      double middle = (low + high) / 2;
      (slope(middle) > 0 ? high : low) = middle;
    }
    return high;
  }
  double ring(double distance) const {
    double high = nearest_ring(), low = 0;
    double plain = distance <= 4 * f ? 1 : f / ((distance + std::sqrt(distance * (distance - 4 * f))) / 2 - f);
    double i = std::min(high, plain);
    for (int n = 0; n < 60; n++) {
      double x = f + g * i, v = x * (1 + i), vs = g * (1 + i) + x, fv = x * v, fvs = g * v + x * vs, A = x * i, As = x + g * i;
      double behind = distance - v, error = A * behind - fv;
      double step = error / (As * behind - A * vs - fvs);
      if (std::fabs(step) <= 1e-14 * i) break;
      (error > 0 ? high : low) = i;
      double next = i - step;
      i = next > low && next < high ? next : (low + high) / 2;
    }
    return i;
  }
};

void evaluate(const Scene& c, const Conventions& g, const Rig& r, Report& o) {
  const double rw = g.w, rh = g.h, z = 1;
  double mw = r.w / z, mh = r.h / z;
  o.desqueezed = r.squeeze * mw / mh;
  o.aspect = c.aspect;
  bool keeps = o.aspect > o.desqueezed;
  o.used_w = keeps ? mw : o.aspect * mh / r.squeeze;
  o.used_h = keeps ? r.squeeze * mw / o.aspect : mh;
  double pw = r.squeeze * o.used_w, pd = std::sqrt(pw * pw + o.used_h * o.used_h);
  o.used_px = r.px * (o.used_w / r.w);
  o.used_py = r.py * (o.used_h / r.h);
  o.enlargement = std::max(c.width_px / o.used_px, c.width_px / o.aspect / o.used_py);
  o.punch_left = 1 / o.enlargement;

  double shape = rw / rh, reference_h = o.aspect > shape ? rw / o.aspect : rh;
  o.diagonal = std::sqrt((rw * rw + rh * rh) / (mw * mw + mh * mh));
  o.width = rw / mw;
  o.height = rh / mh;
  o.delivered = o.chosen = reference_h / o.used_h;
  o.mode_step = 1;
  o.punch_step = z;
  o.sensor_step = o.diagonal / z / o.mode_step;
  o.shape_step = o.chosen / o.diagonal;
  o.optics_step = r.k;
  o.chain = o.chosen * r.k;

  o.f0 = r.f;
  o.n0 = std::max(r.n, 0.0);
  o.f = r.k * o.f0;
  o.f_across = o.f / r.squeeze;
  o.n = std::max(r.k * o.n0, 0.0);
  o.gain = r.k == 1 ? 0 : -2 * std::log2(r.k);
  o.eq_f = o.f * o.chosen;
  o.eq_n = o.n * o.chosen;
  o.eq_n_across = o.eq_n * r.squeeze;
  o.iso_factor = o.chosen * o.chosen;
  o.angle_h = 2 * std::atan(pw / (2 * o.f)) * degrees;
  o.angle_v = 2 * std::atan(o.used_h / (2 * o.f)) * degrees;
  o.angle_d = 2 * std::atan(pd / (2 * o.f)) * degrees;
  double t = pw / (2 * o.f);
  o.edge = std::sqrt(1 + t * t);

  // A lens with data of its own keeps its travel before glass in its place; else k lies in the lens.
  bool breathes = r.largest > 0, traced = breathes && r.k != 1;
  double own = traced ? r.f : o.f, magnified = traced ? r.k : 1, track = traced ? -40 * (1 - r.k) : 0;
  Travel travel{own, 0, nan_};
  if (breathes) {
    travel.largest = r.largest;
    double fk = r.nearest * travel.largest / ((1 + travel.largest) * (1 + travel.largest));
    travel.g = (fk - own) / travel.largest;
    Place end = travel.at(travel.nearest_ring());
    o.nearest = end.s + end.v + track;
    o.largest = magnified * end.v / end.s;
  } else {
    o.nearest = 4 * o.f;
    o.largest = nan_;
  }
  o.farthest = inf;
  o.circle = pd / g.divisor;
  double mhf = o.n * o.circle / o.f;
  double mhl = mhf / magnified;
  o.hyperfocal = o.circle <= o.used_h ? own * (1 + mhl) * (1 + mhl) / mhl + track : nan_;

  o.reasons = 0;
  o.working = 1;
  if (c.d >= o.nearest) {
    Place p;
    if (breathes) {
      p = travel.at(travel.ring(c.d - track));
    } else {
      double s = (c.d + std::sqrt(std::max(0.0, c.d * (c.d - 4 * o.f)))) / 2, v = o.f * s / (s - o.f);
      p = {o.f, s, v, std::max(0.0, v / s)};
    }
    o.m = magnified * p.v / p.s;
    o.focused_f = p.f;
    o.s = p.s;
    o.v = p.v;
    o.racked = p.racked;
    o.pupil = (traced ? r.k : 1) * p.f / o.n;
    o.a = p.s;
    o.working = 1 + p.racked;
    o.field_w = pw / o.m;
    o.field_h = o.used_h / o.m;
    o.angle_f = 2 * std::atan(o.field_w / (2 * o.a)) * degrees;
    o.tolerance = o.circle / (o.pupil * o.m);
    o.in_front = o.a - o.a / (1 + o.tolerance);
    o.behind = (o.tolerance >= 1 ? inf : o.a / (1 - o.tolerance)) - o.a;
    o.near = c.d - o.in_front;
    o.far = c.d + o.behind;
    o.airy = 2.44 * 0.00055 * o.n * o.working;
    o.face = o.a > 120 ? o.a / (o.a - 120) : nan_;
    o.head_s = 0.5 + (c.lens - c.figure) / o.field_h;
    o.feet_s = 0.5 + c.lens / o.field_h;
    o.b = o.a + (c.b - c.d);
    double spread = o.b / o.a;
    o.back_w = o.field_w * spread;
    o.back_h = o.field_h * spread;
    o.disc = o.pupil * o.m * (std::fabs(o.b - o.a) / o.b);
    o.disc_h = o.disc / o.used_h;
    o.disc_w = o.disc / (r.squeeze * pw);
    o.size = o.a / o.b;
    o.parallax = o.m * c.sideways * (1 - o.size);
    o.head_b = 0.5 + (c.lens - c.figure) / o.back_h;
    o.feet_b = 0.5 + c.lens / o.back_h;
    o.reasons |= (o.airy > o.circle ? 1u << 17 : 0) | (!(o.face <= 1.15) ? 1u << 18 : 0);
  } else {
    o.near = 0;
    o.reasons |= 1;
  }

  o.desq_px = r.px / z * r.squeeze;
  o.desq_py = r.py / z;
  o.waste = 1 - o.used_w * o.used_h * (z * z) / (r.w * r.h);
  o.ideal = o.aspect * r.h / r.w;
  o.fps = c.fps;
  o.time = c.angle / 360 / o.fps;
  o.slow = o.fps / c.fps;
  o.bellows = o.working == 1 ? 0 : 2 * std::log2(o.working);
  o.working_t = o.n * o.working;
  o.needed = o.working_t * o.working_t / o.time;
  o.setting = std::log2(o.needed * 100 / r.iso);
  o.left = c.ev - o.setting;
  o.filter = std::clamp(std::ceil(o.left - 0.5), 0.0, 10.0);
  o.iso_needed = 100 * o.needed / std::exp2(c.ev);
  o.flickers = 2 * c.mains * o.time;
  double one = 360 * o.fps / (2 * c.mains), whole = std::max(1.0, std::ceil(o.flickers - 0.5));
  o.safe = one > 360 * (1 + 1e-12) ? nan_ : std::min(whole, std::floor(360 / one * (1 + 1e-12))) * one;
  o.steps = r.body;
  double full = (o.aspect > 1.5 ? 36 / o.aspect : 24.0) / o.used_h;
  o.unsteady = o.f * full / 24 * std::exp2(-o.steps);
  o.shift = 0;
  o.shim = 0;
  o.by_mount = inf;
  o.reasons |= (o.circle > o.used_h ? 1u << 3 : 0) | (o.n < 0.5 ? 1u << 8 : 0) | (o.enlargement > 1 + 1e-9 ? 1u << 16 : 0)
      | (o.left < -1.0 / 3 ? 1u << 19 : 0) | (o.left > 1.0 / 3 ? 1u << 20 : 0) | (std::fabs(o.flickers - whole) > 0.01 * whole ? 1u << 22 : 0);
}

}  // namespace

int main() {
  constexpr int rigs = 1024;
  std::vector<Rig> set(rigs);
  for (int i = 0; i < rigs; i++) {
    set[i] = {12.0 + i % 37, 9.0 + i % 23, 8.0 + i % 211, 1.2 + i % 9, i % 3 == 0 ? 0.71 : 1.0, i % 5 == 0 ? 1.5 : 1.0, 3840, 2160, 800,
              double(i % 6), i % 4 == 0 ? 9.0 * (8 + i % 211) : 0, i % 4 == 0 ? 0.15 : 0};
  }
  Scene scene;
  Conventions conventions;
  Report report;
  double sum = 0, best = inf;
  for (int round = 0; round < 12; round++) {
    sum = 0;
    auto began = std::chrono::steady_clock::now();
    constexpr int times = 200;
    for (int n = 0; n < times; n++) {
      double once = 0;
      for (const Rig& rig : set) {
        evaluate(scene, conventions, rig, report);
        // Every figure is written, and scene and conventions are data and not constants of the program, as in the C# loop.
        asm volatile("" : : "r"(&report), "r"(&scene), "r"(&conventions) : "memory");
        once += report.needed + (report.reasons & 1 ? 0 : 1);
      }
      sum = once;
    }
    double ns = std::chrono::duration<double, std::nano>(std::chrono::steady_clock::now() - began).count() / times / rigs;
    best = std::min(best, ns);
  }
  std::printf("%.2f %.6f\n", best, sum);
}
