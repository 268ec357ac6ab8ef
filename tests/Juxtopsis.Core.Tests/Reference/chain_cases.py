"""Makes chain-cases.json: chains of two and more elements, traced by chain.py. Run: python3 chain_cases.py > chain-cases.json"""
import json
import random
from math import log2

from chain import Chain

random.seed(20261126)


def one(name, **given):
    rig = dict(f=50.0, n=4.0, nearest=None, largest=None, converters=[], tube=0.0, dioptres=0.0, gap=0.0, pupil=None) | given
    chain = Chain(rig["f"], rig["nearest"], rig["largest"], rig["converters"], rig["tube"], rig["dioptres"], rig["gap"], rig["pupil"])
    end = chain.end()
    share = given.get("share", random.uniform(0.02, 0.98))
    ring = share * end
    # A lens that shortens so much that the distance turns more than once focuses in three places at one distance: no such lens is made.
    places = [chain.subject(max(end * i / 300, 1e-9))[0] for i in range(301)]
    if sum((b - a) * (c - b) < 0 for a, b, c in zip(places, places[1:], places[2:])) > 1:
        return None
    if max(places[1:-1]) > max(places[0], places[-1]):
        return None
    # At the very turn two places of the ring are one to all digits but the last.
    if min(abs(places[min(300, max(0, int(share * 300) + d))] - chain.subject(ring)[0]) for d in (-6, 6)) < 1e-3:
        return None
    distance, m = chain.subject(ring)
    if not 1 < distance < 1e6:
        return None
    # Of two places of the ring at this distance the one that is racked out less is meant unless it is said.
    first = chain.ring_for(distance)
    back = chain.subject(first)
    farther = abs(first - ring) > 1e-6 * max(ring, 1e-9) and abs(back[0] - distance) < 1e-6 * distance
    (entrance, entrance_size), (exit_at, exit_size) = chain.pupils(ring, rig["n"])
    a = distance - entrance
    if a <= 1 or abs(exit_at) < 1e-6 or abs(exit_at) > 1e5:
        return None
    far_end = rig["tube"] > 0 or rig["dioptres"] > 0 or any(c[2] for c in rig["converters"])
    working = abs(exit_at) / exit_size / (chain.k * rig["n"])
    background = distance + 0.7 * a
    # The disc of a point behind, from the exit pupil: its image, and the cone that the sensor cuts.
    at, f, before, after = chain.glass(ring)
    image, _ = chain.image([*before, (at, 1 / f), *after], background)
    disc = exit_size * abs(image) / abs(image - exit_at)
    return {
        "name": name,
        "input": {
            "focalLengthMm": rig["f"], "fNumber": rig["n"], "minimumFocusDistanceMm": rig["nearest"], "maximumMagnification": rig["largest"],
            "optics": [c[0] for c in rig["converters"]], "opticsPlaces": [{"placeMm": c[1], "tubeBehindMm": c[2]} for c in rig["converters"]],
            "extensionMm": rig["tube"], "closeUpDioptres": rig["dioptres"], "closeUpFromLensMm": rig["gap"], "pupilMagnification": rig["pupil"],
            "rackedFarther": farther, "subjectDistanceMm": distance, "backgroundDistanceMm": background,
        },
        "expected": {
            "magnification": m, "maximumMagnification": chain.subject(end)[1] if rig["largest"] or rig["nearest"] else None,
            "farthestSubjectDistanceMm": max(chain.subject(0.0)[0], chain.subject(end)[0]) if far_end else None,
            "pupilMm": entrance_size, "subjectFromPupilMm": a, "bellowsStops": 2 * log2(working), "backgroundDiscMm": disc,
        },
    }


def lens(*, data=True):
    f = round(random.uniform(12, 200), 2)
    n = round(random.uniform(1.4, 11), 2)
    if not data:
        return dict(f=f, n=n)
    if random.random() < 0.5:
        return dict(f=f, n=n, nearest=round(f * random.uniform(4.3, 14), 1))
    largest = round(random.uniform(0.08, 2.2), 3)
    return dict(f=f, n=n, largest=largest, nearest=round(f * random.uniform(0.65, 1.05) * (1 + largest) ** 2 / largest, 1))


def pupil():
    return dict(pupil=random.choice([None, 0.6, 0.85, 1.0, 1.3, 2.0]))


def glass(count=1, tubes=False):
    made = []
    for _ in range(count):
        k = random.choice([0.58, 0.64, 0.71, 0.8, 1.4, 2.0])
        made.append((k, round(random.uniform(22, 60), 1), random.choice([2.0, 5.0, 8.0]) if tubes else 0.0))
    return dict(converters=made)


kinds = {
    "a lens by itself": lambda: lens() | pupil(),
    "a tube": lambda: lens(data=random.random() < 0.6) | pupil() | dict(tube=random.choice([6.0, 12.0, 25.0])),
    "a tube beyond life size": lambda: dict(f=round(random.uniform(20, 60), 1), n=5.6) | pupil() | dict(tube=round(random.uniform(62, 120), 1)),
    "beyond life size by data": lambda: dict(f=60.0, n=4.0, nearest=round(random.uniform(190, 240), 1), largest=2.5) | pupil(),
    "two places of the ring": lambda: dict(f=50.0, n=5.6, nearest=220.0, tube=round(random.uniform(36, 46), 1)) | pupil(),
    "a close-up lens in the lens": lambda: lens() | pupil() | dict(dioptres=random.choice([1.0, 2.0, 3.0])),
    "a close-up lens before the lens": lambda: lens() | pupil() | dict(dioptres=random.choice([0.5, 1.0, 2.0, 3.0]), gap=round(random.uniform(10, 90), 1)),
    "a close-up lens and a tube": lambda: lens() | pupil() | dict(dioptres=1.0, gap=30.0, tube=12.0),
    "glass in its place": lambda: lens() | pupil() | glass(),
    "glass in a place that is not known": lambda: lens() | pupil() | dict(converters=[(random.choice([0.71, 1.4, 2.0]), None, 0.0)]),
    "bare glass and a bare lens": lambda: lens(data=False) | pupil() | dict(converters=[(random.choice([0.64, 0.71, 1.4, 2.0]), None, 0.0)]),
    "two pieces of glass": lambda: lens() | pupil() | glass(2),
    "a tube before glass": lambda: lens() | pupil() | glass() | dict(tube=random.choice([6.0, 12.0, 20.0])),
    "a tube behind glass": lambda: lens() | pupil() | glass(tubes=True),
    "tubes before and behind two pieces of glass": lambda: lens() | pupil() | glass(2, tubes=True) | dict(tube=10.0),
    "everything": lambda: lens() | pupil() | glass(tubes=True) | dict(tube=8.0, dioptres=1.0, gap=25.0),
}

cases = []
for name, make in kinds.items():
    found = 0
    while found < 16:
        made = one(name, **make())
        if made:
            cases.append(made)
            found += 1
print(json.dumps(cases, indent=0))
