"""Makes full-cases.json: rigs worked out without the product's code and, where it can, by another road.

Images are traced from element to element (chain.py) on the far side of the lens (exit pupil, image point, sensor) instead of by the product's geometry at the
subject; limits of the sharp zone and places of focus are found by bisection; the share of dark corners by summing strips.
Run: python3 full_cases.py > full-cases.json
"""
import json
from math import atan, cos, degrees, floor, ceil, inf, log2, radians, sin, sqrt, tan

from chain import Chain, bisect

LAMBDA = 0.00055


def case(name, scene, conventions, rig, yardstick=None):
    r = {"squeeze": 1, "punchIn": 1, "optics": [], "closeUpDioptres": 0, "extensionMm": 0, "mountErrorMm": 0, "rearFilterMm": 0,
         "rearFilterIndex": 1.5, "filterStops": 0, "bodyStabilisationStops": 0, "lensStabilisationStops": 0, "squeezePlace": "front",
         "squeezeTurnDeg": 0, "stabilisersAddUp": False, **rig}
    lens = r.get("lens", {})
    sc = {"lensHeightMm": 1600, "figureHeightMm": 1750, "sidewaysMm": 100, "timelineFps": 25, "shutterAngleDeg": 180, "mainsHertz": 50, "movementSeconds": 1, **scene}
    cv = {"referenceWidthMm": 36, "referenceHeightMm": 24, "crop": "delivered", "circle": "shareOfDiagonal", "cocDivisor": 1500, "cocPx": 2,
          "screenWidthMm": 1200, "viewingDistanceMm": 2500, "distanceFrom": "sensorMark", "squeezedDepth": "vertical", "focalLength": "marked",
          **conventions}
    out = {}
    S, z = r["squeeze"], r["punchIn"]
    W, H = r["sensorWidthMm"] / z, r["sensorHeightMm"] / z
    out["desqueezedAspect"] = S * W / H
    A = out["deliveredAspect"] = sc.get("deliveryAspect") or S * W / H
    # The largest picture of shape A that fits into S·W × H.
    Hu = min(H, S * W / A)
    Wu = Hu * A / S
    picture_w, picture_d = S * Wu, Hu * sqrt(1 + A * A)
    out["usedWidthMm"], out["usedHeightMm"] = Wu, Hu
    if "recordedWidthPx" in r:
        px = out["usedWidthPx"] = r["recordedWidthPx"] * Wu / (W * z)
        py = out["usedHeightPx"] = r["recordedHeightPx"] * Hu / (H * z)
        out["desqueezedWidthPx"], out["desqueezedHeightPx"] = r["recordedWidthPx"] * S / z, r["recordedHeightPx"] / z
        if "deliveryWidthPx" in sc:
            out["enlargement"] = max(sc["deliveryWidthPx"] / px, sc["deliveryWidthPx"] / A / py)
            out["punchInLeft"] = min(px / sc["deliveryWidthPx"], py / (sc["deliveryWidthPx"] / A))
    out["wasteShare"] = 1 - Wu * Hu / (W * H)
    out["idealSqueeze"] = A / (W / H)

    Rw, Rh = cv["referenceWidthMm"], cv["referenceHeightMm"]
    out["cropFactorDiagonal"] = sqrt(Rw**2 + Rh**2) / sqrt(W**2 + H**2)
    out["cropFactorWidth"], out["cropFactorHeight"] = Rw / W, Rh / H
    out["deliveredCropFactor"] = min(Rh, Rw / A) * A / picture_w
    C = out["cropFactor"] = {"delivered": out["deliveredCropFactor"], "diagonal": out["cropFactorDiagonal"],
                             "width": out["cropFactorWidth"], "height": out["cropFactorHeight"]}[cv["crop"]]
    measure = {"width": lambda w, h: w, "height": lambda w, h: h}.get(cv["crop"], lambda w, h: sqrt(w * w + h * h))
    whole = (r.get("wholeSensorWidthMm", W * z), r.get("wholeSensorHeightMm", H * z))
    k = 1.0
    for link in r["optics"]:
        k *= link
    out["cropSensorStep"] = measure(Rw, Rh) / measure(*whole)
    out["cropModeStep"] = measure(*whole) / measure(W * z, H * z)
    out["cropPunchInStep"] = z
    out["cropShapeStep"] = C / (measure(Rw, Rh) / measure(W, H))
    out["opticsMagnification"] = k
    out["cropChain"] = C * k
    if "imageCircleMm" in lens:
        circle = out["imageCircleMm"] = lens["imageCircleMm"] * k
        strips, lit = 400_000, 0.0
        for n in range(strips):
            x = (n + 0.5) / strips * Wu / 2
            lit += min(Hu / 2, sqrt(max(0, circle**2 / 4 - x * x)))
        out["darkShare"] = max(0.0, 1 - lit / strips / (Hu / 2))

    set_f = min(max(r["focalLengthMm"], lens.get("zoomShortMm", 0)), lens.get("zoomLongMm", inf))
    widest = lens.get("widestFNumber")
    if widest and "widestLongFNumber" in lens:
        share = (log2(set_f) - log2(lens["zoomShortMm"])) / (log2(lens["zoomLongMm"]) - log2(lens["zoomShortMm"]))
        widest = 2 ** (log2(widest) * (1 - share) + log2(lens["widestLongFNumber"]) * share)
    if widest:
        out["widestFNumber"] = widest
    N0 = min(max(r["fNumber"], widest or 0), lens.get("narrowestFNumber", inf))
    f0 = lens.get("measuredFocalLengthMm", set_f) if cv["focalLength"] == "measured" else set_f
    f = out["effectiveFocalLengthMm"] = k * f0
    N = out["effectiveFNumber"] = max(k * N0, r.get("opticsFastestFNumber", 0))
    T = N
    if "widestTNumber" in lens:
        T = out["effectiveTNumber"] = N * lens["widestTNumber"] / lens["widestFNumber"]
    out["focalLengthAcrossMm"] = f / S
    out["lightGainStops"] = log2(1 / k**2)
    out["equivalentFocalLengthMm"], out["equivalentFNumber"], out["sensitivityFactor"] = f * C, N * C, C * C
    narrowing = S if r["squeezePlace"] == "front" else 1
    out["equivalentAcrossFNumber"] = N * C * narrowing
    out["discShape"] = narrowing
    for name_, span in (("Horizontal", picture_w), ("Vertical", Hu), ("Diagonal", picture_d)):
        out[f"angleOfView{name_}Deg"] = degrees(2 * atan(span / 2 / f))
    out["edgeStretch"] = 1 / (1 / sqrt(1 + tan(radians(out["angleOfViewHorizontalDeg"] / 2)) ** 2))

    Q = sc.get("deliveryWidthPx")
    c = out["circleOfConfusionMm"] = {
        "shareOfDiagonal": lambda: picture_d / cv["cocDivisor"],
        "fixedSize": lambda: cv["cocFixedMm"],
        "deliveredPixels": lambda: cv["cocPx"] * picture_w / Q,
        "acuity": lambda: picture_w / (cv["screenWidthMm"] / (cv["viewingDistanceMm"] * tan(radians(1 / 60)))),
    }[cv["circle"]]()
    depth_c = c * narrowing if cv["squeezedDepth"] == "horizontal" else c

    front = lens.get("frontFromSensorMm")
    mark = front if cv["distanceFrom"] == "lensFront" else 0
    D, B = sc["subjectDistanceMm"] + mark, sc.get("backgroundDistanceMm", inf) + mark
    chain = Chain(f0, lens.get("minimumFocusDistanceMm"), lens.get("maximumMagnification"), [(link, None, 0.0) for link in r["optics"]], r["extensionMm"],
                  r["closeUpDioptres"], 0.0, lens.get("pupilMagnification"))
    far_end = r["extensionMm"] > 0 or r["closeUpDioptres"] > 0
    out["farthestSubjectDistanceMm"] = max(chain.subject(0.0)[0], chain.subject(chain.end())[0]) - mark if far_end else None
    nearest, largest = chain.subject(chain.end())
    out["nearestSubjectDistanceMm"] = nearest - mark
    if chain.largest:
        out["maximumMagnification"], out["smallestFieldWidthMm"] = largest, picture_w / largest
    ring = chain.ring_for(D)
    _, m = chain.subject(ring)
    out["magnification"] = m
    (entrance, entrance_size), (exit_at, exit_size) = chain.pupils(ring, N / k)
    pupil = out["pupilMm"] = entrance_size
    working = abs(exit_at) / exit_size / N
    a = D - entrance
    b = a + (B - D)
    out["subjectFromPupilMm"], out["pupilAcrossMm"] = a, pupil / narrowing
    wide_open = N0 <= (widest or 0) * 1.001
    out["irisCorners"] = lens["blades"] if lens.get("blades", 0) >= 3 and not wide_open else 0
    out["fieldWidthMm"], out["fieldHeightMm"] = picture_w / m, Hu / m
    out["backgroundFieldWidthMm"] = None if b == inf else out["fieldWidthMm"] * b / a
    out["backgroundFieldHeightMm"] = None if b == inf else out["fieldHeightMm"] * b / a
    out["angleFocusedDeg"] = degrees(2 * atan(out["fieldWidthMm"] / 2 / a))
    out["breathingShare"] = out["angleFocusedDeg"] / out["angleOfViewHorizontalDeg"] - 1

    def disc(from_pupil):
        """On the sensor, traced behind the lens: the cone from the exit pupil to the image point, cut by the sensor."""
        at, focal, before, after = chain.glass(ring)
        image, _ = chain.image([*before, (at, 1 / focal), *after], inf if from_pupil == inf else entrance + from_pupil)
        return exit_size * abs(image) / abs(image - exit_at)

    disc_b = out["backgroundDiscMm"] = disc(b)
    out["backgroundDiscAcrossMm"] = disc_b / narrowing
    out["backgroundDiscFractionOfHeight"], out["backgroundDiscFractionOfWidth"] = disc_b / Hu, disc_b / narrowing / picture_w
    if Q:
        out["backgroundDiscPx"], out["backgroundDiscAcrossPx"] = disc_b / Hu * Q / A, disc_b / narrowing / picture_w * Q
    out["backgroundDiscCircles"], out["blurAtSubjectMm"] = disc_b / c, disc_b / m
    share = disc_b / Hu
    out["backgroundReading"] = 0 if disc_b <= c else 1 if share <= 0.005 else 2 if share <= 0.02 else 3 if share <= 0.06 else 4
    out["airyDiscMm"] = 2.44 * LAMBDA * N * working
    out["airyDiscCircles"] = out["airyDiscMm"] / c
    out["diffractionFNumber"] = N / k * c / out["airyDiscMm"]

    near = bisect(a * 1e-3, a, lambda o: disc(o) > depth_c)
    out["depthInFrontMm"] = a - near
    out["depthOfFieldNearMm"] = D - mark - (a - near)
    if disc(inf) <= depth_c:
        out["depthBehindMm"] = out["depthOfFieldFarMm"] = out["depthOfFieldMm"] = None
    else:
        far = bisect(a, 1e12, lambda o: disc(o) < depth_c)
        out["depthBehindMm"], out["depthOfFieldFarMm"] = far - a, D - mark + far - a
        out["depthOfFieldMm"] = far - near
    if not far_end:
        # Where the far limit just reaches infinity, with the focal length of infinity: found on a lens that keeps it.
        plain = Chain(f0, None, None, [(link, None, 0.0) for link in r["optics"]] if chain.together else [(link, 40.0, 0.0) for link in r["optics"]])
        ratio = bisect(0, 4, lambda i: plain.subject(i)[1] < depth_c * N / f)
        out["hyperfocalDistanceMm"] = plain.subject(ratio)[0] - mark
    if front is not None:
        out["workingDistanceMm"] = D - front
    if "photo" in sc:
        # As angles: what the rig sees of the world from its pupil, against what the still sees.
        ph = sc["photo"]
        shape = ph["widthPx"] / ph["heightPx"]
        w = min(ph["sensorWidthMm"], ph["sensorHeightMm"] * shape)
        out["stillShareAcross"] = (out["fieldWidthMm"] / 2 / a) / (w / 2 / ph["focalLengthMm"])
        out["stillShareUp"] = (out["fieldHeightMm"] / 2 / a) / (w / shape / 2 / ph["focalLengthMm"])
    out["cameraDistanceMm"] = sc["subjectDistanceMm"]
    out["microphoneDistanceMm"] = sc.get("microphoneMm", sc["subjectDistanceMm"])

    out["faceStretch"] = a / (a - 120)
    out["backgroundSize"] = 0 if b == inf else a / b
    out["parallaxShare"] = sc["sidewaysMm"] * (1 / a - (0 if b == inf else 1 / b)) * a / out["fieldWidthMm"]
    body, glass = r["bodyStabilisationStops"], r["lensStabilisationStops"]
    full_frame = f * min(24, 36 / A) * A / picture_w
    out["unsteadiness"] = full_frame / 24 / 2 ** (body + glass if r["stabilisersAddUp"] else max(body, glass))

    # The turned stretch of an upright and of a level line: onto the turned axes, squeezed, back, and straight desqueezed.
    turn = radians(r["squeezeTurnDeg"])
    def stretched(x, y):
        along, across = x * cos(turn) - y * sin(turn), x * sin(turn) + y * cos(turn)
        along /= S
        return S * (along * cos(turn) + across * sin(turn)), across * cos(turn) - along * sin(turn)
    up, level = stretched(0, 1), stretched(1, 0)
    out["uprightLeanShare"], out["levelTiltShare"] = abs(up[0] / up[1]), abs(level[1] / level[0])
    if "frontOpeningFromPupilMm" in lens:
        out["openingNeededMm"] = f / N + lens["frontOpeningFromPupilMm"] * sqrt(Wu**2 + Hu**2) / f

    fps = r.get("captureFps", sc["timelineFps"])
    def exposed(rate):
        """Light gathers for the share of a frame that the rig's own or the scene's angle opens, or for a held time, but no longer than a frame."""
        if "shutterAngleDeg" in r:
            return r["shutterAngleDeg"] / 360 / rate
        return min(sc["shutterSeconds"], 1 / rate) if "shutterSeconds" in sc else sc["shutterAngleDeg"] / 360 / rate
    t = out["exposureTimeSeconds"] = exposed(fps)
    out["slowMotion"] = fps / sc["timelineFps"]
    out["slowMotionStops"] = log2(t) - log2(exposed(sc["timelineFps"]))
    out["movementOnScreenSeconds"] = sc["movementSeconds"] * fps / sc["timelineFps"]
    out["bellowsStops"] = log2(working**2)
    needed = (T * working) ** 2 / t * 2 ** r["filterStops"]
    # Each thing on the way of the light as the ratio of light after it to light before it.
    for step, ratio in {"filter": 0.5 ** r["filterStops"], "aperture": 1 / N0**2, "optics": (N0 / N) ** 2, "glass": (N / T) ** 2,
                        "focus": 1 / working**2, "shutter": t, "sensitivity": r.get("sensitivityIso", 0) / 100}.items():
        if ratio > 0:
            out[step + "StepStops"] = log2(ratio)
    out["matchingFactor"] = needed / (yardstick or needed)
    if "sensitivityIso" in r:
        out["settingEv"] = log2(needed) - log2(r["sensitivityIso"] / 100)
        if yardstick is None:
            out["matchingIso"] = r["sensitivityIso"]
    if "brightnessEv" in sc:
        out["sensitivityNeededIso"] = 100 * 2 ** (log2(needed) - sc["brightnessEv"])
        if "sensitivityIso" in r:
            left = out["leftOverStops"] = sc["brightnessEv"] - out["settingEv"]
            out["fixedFilterStops"] = min(10, max(0, ceil(left - 0.5)))
            out["leftAfterFilterStops"] = left - out["fixedFilterStops"]
    flickers = out["flickers"] = t / (1 / (2 * sc["mainsHertz"]))
    most = floor(2 * sc["mainsHertz"] / fps + 1e-9)
    if most >= 1:
        out["safeAngleDeg"] = 360 * fps * min(most, max(1, floor(flickers + 0.5))) / (2 * sc["mainsHertz"])

    shift = out["filterShiftMm"] = r["rearFilterMm"] - r["rearFilterMm"] / r["rearFilterIndex"]
    out["shimMm"] = shift - r["mountErrorMm"]
    too_long = -out["shimMm"]
    out["farthestByMountMm"] = 1 / (1 / f - 1 / (f + too_long)) + f + too_long - mark if too_long > 0 else None

    h, figure = sc["lensHeightMm"], sc["figureHeightMm"]
    for where, field in (("subject", out["fieldHeightMm"]), ("background", out["backgroundFieldHeightMm"])):
        out[f"{where}HeadFromTop"] = 0.5 if field is None else (field / 2 + h - figure) / field
        out[f"{where}FeetFromTop"] = 0.5 if field is None else (field / 2 + h) / field
    return {"name": name, "input": {"scene": scene, "conventions": conventions, "rigs": [rig]}, "expected": out}


print(json.dumps([
    case("bench: a mode of a sensor, reducer, closing zoom, T-number, punch-in",
         {"subjectDistanceMm": 2600, "backgroundDistanceMm": 7100, "deliveryAspect": 16 / 9, "deliveryWidthPx": 3840, "brightnessEv": 9.3,
          "sidewaysMm": 140, "shutterSeconds": 1 / 30, "movementSeconds": 2.5},
         {},
         {"sensorWidthMm": 19.9, "sensorHeightMm": 11.2, "wholeSensorWidthMm": 23.5, "wholeSensorHeightMm": 15.6, "recordedWidthPx": 5088,
          "recordedHeightPx": 2864, "focalLengthMm": 42, "fNumber": 3.5, "optics": [0.71], "punchIn": 1.1, "sensitivityIso": 800,
          "bodyStabilisationStops": 4.5, "lensStabilisationStops": 3, "captureFps": 50,
          "lens": {"zoomShortMm": 24, "zoomLongMm": 70, "widestFNumber": 3.5, "widestLongFNumber": 5.6, "narrowestFNumber": 22,
                   "widestTNumber": 3.9, "imageCircleMm": 28.4, "frontOpeningMm": 60, "frontOpeningFromPupilMm": 55}}),
    case("launch: front squeeze, turned, judged across",
         {"subjectDistanceMm": 6000, "backgroundDistanceMm": 22000, "deliveryAspect": 2.39, "deliveryWidthPx": 4096, "timelineFps": 24, "shutterSeconds": 0.02},
         {"squeezedDepth": "horizontal", "crop": "diagonal", "referenceWidthMm": 24.89, "referenceHeightMm": 18.66},
         {"sensorWidthMm": 24.89, "sensorHeightMm": 18.66, "recordedWidthPx": 4448, "recordedHeightPx": 3334, "focalLengthMm": 50,
          "fNumber": 2.8, "squeeze": 2, "squeezeTurnDeg": 17, "mountErrorMm": 0.03, "stabilisersAddUp": True, "bodyStabilisationStops": 2,
          "lensStabilisationStops": 1.5, "lens": {"frontFromSensorMm": 171}}),
    case("slipway: rear squeeze, circle by pixels, two extenders, open background",
         {"subjectDistanceMm": 45000, "deliveryAspect": 1.85, "deliveryWidthPx": 3996, "shutterSeconds": 0.001},
         {"circle": "deliveredPixels", "cocPx": 1.5, "crop": "width"},
         {"sensorWidthMm": 17.3, "sensorHeightMm": 13, "focalLengthMm": 150, "fNumber": 2.8, "squeeze": 1.33, "squeezePlace": "rear",
          "optics": [1.4, 2], "lensStabilisationStops": 4, "captureFps": 120, "shutterAngleDeg": 72}),
    case("rivet: macro at 1:1 with its own data and a pupil of its own",
         {"subjectDistanceMm": 310, "backgroundDistanceMm": 390, "deliveryAspect": 16 / 9, "brightnessEv": 7, "microphoneMm": 450,
          "photo": {"id": "6a0f3e52-7d1c-4f5e-9a55-000000000001", "widthPx": 2560, "heightPx": 1920, "sensorWidthMm": 36, "sensorHeightMm": 24, "focalLengthMm": 28}},
         {"circle": "fixedSize", "cocFixedMm": 0.03},
         {"sensorWidthMm": 36, "sensorHeightMm": 24, "focalLengthMm": 105, "fNumber": 11, "sensitivityIso": 1600,
          "lens": {"blades": 9, "minimumFocusDistanceMm": 310, "maximumMagnification": 1, "pupilMagnification": 1.25, "frontFromSensorMm": 168}}),
    case("bending bench: a lens that breathes, through a reducer, measured from its front",
         {"subjectDistanceMm": 700, "backgroundDistanceMm": 2300, "deliveryAspect": 16 / 9},
         {"distanceFrom": "lensFront", "focalLength": "measured", "circle": "acuity"},
         {"sensorWidthMm": 17.3, "sensorHeightMm": 13, "focalLengthMm": 85, "fNumber": 1.8, "optics": [0.64], "opticsFastestFNumber": 1.3,
          "lens": {"minimumFocusDistanceMm": 800, "maximumMagnification": 0.13, "measuredFocalLengthMm": 82.4, "frontFromSensorMm": 122}}),
    case("tide gauge: extension tube",
         {"subjectDistanceMm": 260, "backgroundDistanceMm": 600, "deliveryAspect": 16 / 9},
         {"crop": "height"},
         {"sensorWidthMm": 23.5, "sensorHeightMm": 15.6, "focalLengthMm": 50, "fNumber": 5.6, "extensionMm": 16}),
    case("plane and hands: close-up lens on a lens with data",
         {"subjectDistanceMm": 420, "backgroundDistanceMm": 900, "deliveryAspect": 4 / 3},
         {},
         {"sensorWidthMm": 13.2, "sensorHeightMm": 8.8, "focalLengthMm": 60, "fNumber": 4, "closeUpDioptres": 2, "rearFilterMm": 2.2,
          "rearFilterIndex": 1.52, "filterStops": 2, "sensitivityIso": 400,
          "lens": {"minimumFocusDistanceMm": 900, "maximumMagnification": 0.08, "pupilMagnification": 0.9}}),
    case("far bank: everything sharp to infinity",
         {"subjectDistanceMm": 60000, "backgroundDistanceMm": 200000, "deliveryAspect": 16 / 9},
         {},
         {"sensorWidthMm": 12.52, "sensorHeightMm": 7.41, "focalLengthMm": 12, "fNumber": 8}),
], indent=1))
