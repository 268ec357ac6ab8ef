"""A camera's chain of thin elements, traced from one to the next: another road to what the product writes out in closed form.

Places are millimetres from the sensor towards the subject. An element images a point by 1/out = power - 1/in; a real object lies before it
(in > 0), a virtual one behind it (in < 0). Nothing here uses matrices or the product's code.
"""
from math import inf


def bisect(low, high, too_low, steps=200):
    for _ in range(steps):
        middle = (low + high) / 2
        low, high = (middle, high) if too_low(middle) else (low, middle)
    return (low + high) / 2


USUAL_PLACE = 40.0


class Chain:
    """Close-up lens, lens with its travel and pupil, tubes, converters.

    converters: from the sensor on, each (k, place or None, tube behind). A lens of which nothing but the focal length is known, with converters of
    which nothing but k is known and no tube, is one thin lens with them: the converter lies in the lens and moves with it.
    """

    def __init__(self, f, nearest=None, largest=None, converters=(), tube=0.0, dioptres=0.0, gap=0.0, pupil=None):
        self.f, self.power_up, self.gap, self.pupil = f, dioptres / 1000, gap if dioptres else 0.0, pupil or 1.0
        self.largest = largest
        self.f_near = f
        if nearest and largest:
            self.f_near = nearest * largest / (1 + largest) ** 2
        elif nearest and nearest >= 4 * f:
            # The ring's end: where the bare lens on its own camera focuses at its mark.
            self.largest = bisect(0, 1, lambda i: f * (1 + i) + f * (1 + 1 / max(i, 1e-300)) > nearest)
        glass = [c for c in converters if c[0] != 1]
        behind = sum(c[2] for c in converters)
        self.together = bool(glass) and any(c[1] is None for c in glass) and tube == 0 and behind == 0 and nearest is None and largest is None
        self.k = 1.0
        self.elements = []
        focal_plane = 0.0
        for k, place, tube_behind in converters:
            focal_plane += tube_behind
            if k == 1:
                continue
            self.k *= k
            if not self.together:
                d = place or USUAL_PLACE
                at = focal_plane + k * d
                # It images what lies d behind it k times as large: 1/(k d) = power - 1/(-d).
                self.elements.append((at, 1 / (k * d) - 1 / d))
                focal_plane = at - d
        self.focal_plane = focal_plane + tube
        # Light meets the one nearest to the lens first.
        self.elements.reverse()

    def focal(self, ring):
        return self.f + (self.f_near - self.f) * (ring / self.largest if self.largest else 0)

    def glass(self, ring):
        """Where the lens is, and every element from the front to the sensor as (place, power)."""
        f = self.focal(ring)
        if self.together:
            # Lens f and converter in one plane: together k f, so the converter's power is 1/(k f) - 1/f.
            at = self.k * f * (1 + ring)
            after = [(at, 1 / (self.k * f) - 1 / f)]
        else:
            at = self.focal_plane + f * (1 + ring)
            after = self.elements
        before = [(at + self.gap, self.power_up)] if self.power_up else []
        return at, f, before, after

    def image(self, elements, at):
        """Images a point through elements; where it ends up, and how large."""
        size = 1.0
        for place, power in elements:
            vergence = 0.0 if at in (inf, -inf) else 1 / (at - place) if at != place else None
            if vergence is None:
                continue
            out = power - vergence
            if at not in (inf, -inf):
                size *= 1 / (out * (at - place)) if out else inf
            at = place - 1 / out if out else -inf
        return at, size

    def subject(self, ring):
        """Where the subject is that is sharp with the ring there, and its magnification: traced backwards from the sensor."""
        if self.power_up:
            ring = max(ring, 1e-11)  # parallel light between the lenses would have no place
        at, f, before, after = self.glass(ring)
        elements = [*before, (at, 1 / f), *after]
        point, size = 0.0, 1.0
        for place, power in reversed(elements):
            distance = place - point  # behind the element, positive: a real image
            vergence = power - (1 / distance if distance else inf)
            if vergence == 0:
                return inf, 0.0
            size *= 1 / (vergence * distance)
            point = place + 1 / vergence
        return point, 1 / abs(size)

    def end(self):
        if self.largest:
            return self.largest
        # The thin lens: where the distance is least, or 1 where it only grows.
        d = lambda i: self.subject(i)[0]
        if (self.power_up or self.focal_plane > self.imaged() + 1e-9) and d(1e-7) > d(0.0):
            return 1.0
        low, high = 0.0, 4.0
        for _ in range(300):
            a, b = low + (high - low) / 3, high - (high - low) / 3
            low, high = (low, b) if d(a) < d(b) else (a, high)
        return (low + high) / 2

    def imaged(self):
        """The plane behind the lens that the elements image onto the sensor."""
        point = 0.0
        for place, power in reversed(self.elements):
            distance = place - point
            point = place + 1 / (power - 1 / distance)
        return point

    def ring_for(self, distance, farther=False):
        end = self.end()
        low, high = 0.0, end
        # The nearest place of the ring splits its travel in two.
        for _ in range(300):
            a, b = low + (high - low) / 3, high - (high - low) / 3
            low, high = (low, b) if self.subject(a)[0] < self.subject(b)[0] else (a, high)
        nearest = (low + high) / 2
        if farther:
            return bisect(nearest, end, lambda i: self.subject(i)[0] < distance)
        return bisect(0.0, nearest, lambda i: self.subject(i)[0] > distance)

    def pupils(self, ring, aperture):
        """Entrance and exit pupil as (place, diameter), of a bare lens that is set to this f-number."""
        at, f, before, after = self.glass(ring)
        diameter = f / aperture
        # The lens's own: P apart, each the image of the other by the lens.
        place, size = at + f * (1 - 1 / self.pupil), 1.0
        entrance = place
        for where, power in reversed(before):
            # Seen from the front: 1/out = 1/in - power, with the pupil `inside` behind the close-up lens.
            inside = where - entrance
            if inside:
                inside = min(inside, 0.5 / power)
                out = 1 / (1 / inside - power)
                size *= out / inside
                entrance = where - out
        exit_at, exit_size = self.image(after, at + f * (self.pupil - 1))
        return (entrance, diameter * size), (exit_at, diameter * self.pupil * abs(exit_size))
