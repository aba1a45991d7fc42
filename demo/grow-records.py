#!/usr/bin/env python3
"""Grows the years before the group's own walks into kilnfield.json: fruit of twelve years, two work days, wounds and looks at
them, a canker that goes along a row, trees taken out. Invented throughout, drawn with a fixed seed; run again it replaces what it made.

The truth planted in it differs from the shipped figures, so that the orchard has something to teach: what was cut in year-5 bears about
a quarter more afterwards (shipped: nothing known), wounds close about 5 mm a year from each edge (growth lets about 6 expect), cuts are answered by little
more than half as many shoots, and the group takes about a quarter longer than is reckoned.
"""
import json
import math
import pathlib
import random

PATH = pathlib.Path(__file__).with_name("kilnfield.json")
SEED = 1931
YEARS = 12
OPENED = ("K-13", "K-14", "K-15")
EFFECT = 0.25
CLOSING_MM = 5.0
LONGER = 1.25

random.seed(SEED)
demo = json.loads(PATH.read_text(encoding="utf-8"))
demo["trees"] = [tree for tree in demo["trees"] if tree["tree"]["tag"] not in ("K-61", "K-62")]
demo["days"] = [day for day in demo["days"] if not day["on"].startswith(("year-5", "year-4"))]
trees = {tree["tree"]["tag"]: tree for tree in demo["trees"]}


def fruit():
    """Kilos by kind, alternate bearing and noise; the opened trees bear more after year-5."""
    usual = {"apple": 34, "pear": 26, "quince": 18, "medlar": 15, "plum": 20, "sweet-cherry": 14, "sour-cherry": 9}
    weight_g = {"apple": 105, "pear": 120, "quince": 210, "medlar": 32, "plum": 24, "sweet-cherry": 7, "sour-cherry": 5}
    for tag, tree in trees.items():
        kind = tree["tree"]["species"]
        if kind not in usual or int(tag[2:]) > 27 or tree.get("removal"):
            continue
        base = usual[kind] * math.exp(random.gauss(0, 0.25))
        swing = random.uniform(0.15, 0.4) if kind in ("apple", "pear") else random.uniform(0, 0.2)
        phase = random.randrange(2)
        years = []
        for ago in range(YEARS, 0, -1):
            more = EFFECT if tag in OPENED and ago < 5 else 0
            high = (ago + phase) % 2 == 0
            kilos = base * (1 + (swing if high else -swing)) * math.exp(random.gauss(0, 0.12) + more)
            grams = weight_g[kind] * math.exp(random.gauss(0, 0.06) + (0.1 if more else 0))
            years.append({
                "by": "Tamsin Oke",
                "year": f"year-{ago}",
                "fruit": {"bloom": 4 if high else 2, "number": round(kilos * 1000 / grams), "kilos": round(kilos, 1)},
            })
        tree["fruit"] = years


def early_walks_and_days():
    """The three trees opened in year-5 were walked a year before, with the limbs that were taken then."""
    for i, tag in enumerate(OPENED):
        tree = trees[tag]
        tree["surveys"] = [one for one in tree["surveys"] if not one["survey"]["surveyedOn"].startswith("year-6")]
        walk = json.loads(json.dumps(tree["surveys"][0]))
        survey = walk["survey"]
        survey["surveyedOn"] = f"year-6/01-{14 + i}"
        survey["tree"].update({"trunkGirthCm": survey["tree"]["trunkGirthCm"] - 7, "shootExtensionCm": 24, "yearsSinceCut": 12})
        survey["limbs"] += [
            {"id": "X", "role": "scaffold", "diameterCm": 12.5, "originHeightM": 1.5, "azimuthDeg": 20 + 40 * i, "angleDeg": 70,
             "lengthM": 4.4, "woodYears": 30, "fruiting": 1, "faults": [{"kind": "crossing-centre"}]},
            {"id": "Y", "diameterCm": 8.6, "originHeightM": 1.9, "azimuthDeg": 200 + 30 * i, "angleDeg": 66, "lengthM": 3.4,
             "woodYears": 26, "fruiting": 1, "faults": [{"kind": "inward"}]},
        ]
        tree["surveys"].insert(0, walk)
        for later in tree["surveys"][1:]:
            later["survey"]["tree"]["yearsSinceCut"] = 3
    shed = demo["days"][0]["shed"]

    def day(on, visits):
        return {"on": on, "starts": "10:00", "ends": "13:00", "state": "confirmed", "shed": shed,
                "people": ["Corin Ashby", "Tamsin Oke", "Wilf Sedge"], "visits": visits, "note": "The first trees, on trial."}

    def visit(tag, cuts, note):
        return {"tree": tag, "people": ["Tamsin Oke", "Corin Ashby"],
                "logs": [{"by": "Corin Ashby", "prunings": "stacked", "cuts": cuts, "note": note}]}

    def off(limb, wood, across, **more):
        return {"limb": limb, "outcome": "other", "kind": "remove", "wood": wood, "diameterCm": across, **more}

    demo["days"][:0] = [day("year-5/03-10", [
        visit("K-13", [off("X", "sound", 12.5), off("Y", "sound", 8.6)], "Opened on trial."),
        visit("K-14", [off("X", "stained", 12.5), off("Y", "sound", 8.6)], "Opened on trial; a stain to watch."),
        visit("K-15", [off("X", "hollow", 12.5, hollowCm=4), off("Y", "sound", 8.6)], "Hollow in the middle of X."),
    ])]


def wounds():
    """Old wounds and yearly looks at them, and at the cuts of year-5."""
    found, looks = [], []

    def old(tag, name, across, face, on_limb=None, note=None, hollow=None):
        found.append({"tree": tag, "name": name, "onLimb": on_limb, "foundOn": "year-6/01-20", "diameterCm": across, "face": face,
                      "hollowCm": hollow, "note": note, "foundBy": "Tamsin Oke"})

    def look(tag, name, ago, mm, state, note=None, shoots=None):
        looks.append({"tree": tag, "wound": name, "lookedOn": f"year-{ago}/02-05", "longMm": round(mm * 1.04), "shortMm": round(mm * 0.96),
                      "state": state, "shoots": shoots, "longestCm": shoots and random.randrange(140, 190, 5), "note": note, "lookedBy": random.choice(["Joss Pell", "Ines Ward", "Tamsin Oke"])})

    def closing(tag, name, mm, first, rate, until=1):
        for ago in range(first, until - 1, -1):
            mm = max(0, mm - 2 * rate * math.exp(random.gauss(0, 0.2)))
            grew = random.choice((12, 14, 15)) if name == "X" else random.choice((6, 7, 8))
            look(tag, name, ago, mm, "closed" if mm == 0 else "closing", shoots=grew if tag in OPENED and ago == first else None)
            if mm == 0:
                return

    old("K-01", "old 1", 11, "stained", note="storm wound on the east side")
    closing("K-01", "old 1", 110, 5, CLOSING_MM)
    old("K-03", "old 1", 6, "sound", on_limb="A")
    closing("K-03", "old 1", 60, 5, CLOSING_MM * 1.2)
    old("K-16", "old 1", 16, "soft", note="where the second stem stood", hollow=12)
    for ago, mm, state in ((5, 158, "dry"), (4, 157, "weeping"), (3, 158, "soft"), (2, 160, "soft"), (1, 163, "fungus")):
        look("K-16", "old 1", ago, mm, state, "knocks hollow lower down each year" if state == "fungus" else None)
    old("K-10", "old 1", 4, "sound", on_limb="B")
    closing("K-10", "old 1", 40, 5, CLOSING_MM)
    for tag in OPENED:
        closing(tag, "Y", 86, 4, CLOSING_MM)
        if tag == "K-15":
            for ago in (4, 3, 2, 1):
                look(tag, "X", ago, 125 - (4 - ago), "soft", None)
        else:
            closing(tag, "X", 125, 4, CLOSING_MM)
    return found, looks


def disease():
    """A canker that goes along the southern row from its eastern end."""
    course = [("K-15", 6, "active"), ("K-14", 4, "suspected"), ("K-14", 3, "active"), ("K-13", 3, "active"), ("K-03", 2, "active"),
              ("K-15", 2, "treated"), ("K-01", 1, "suspected")]
    return [{"tree": tag, "disease": "canker", "seenOn": f"year-{ago}/05-14", "state": state, "limb": None,
             "note": "sunken bark with a red edge" if state == "active" else None, "seenBy": "Ines Ward"} for tag, ago, state in course]


def minutes_taken():
    """What visits took, against the minutes that are reckoned for them here, by day and tree."""
    reckoned = {
        "year-2/03-08": {"K-13": 75, "K-16": 34, "K-22": 26},
        "year-2/03-22": {"K-10": 17, "K-14": 48, "K-15": 48, "K-27": 12},
        "year-2/07-20": {"K-07": 26, "K-20": 7},
        "year-1/03-07": {"K-22": 20},
        "year-1/03-21": {"K-11": 35, "K-17": 32, "K-18": 24, "K-26": 43},
        "year-1/07-19": {"K-20": 29},
        "today-27": {"K-22": 20, "K-23": 12},
    }
    for day in demo["days"]:
        for visit in day["visits"]:
            minutes = reckoned.get(day["on"], {}).get(visit["tree"])
            if minutes:
                visit["logs"][-1]["minutes"] = round(minutes * LONGER * math.exp(random.gauss(0, 0.15)))


def piles_weighed():
    """What some piles weighed, against what is reckoned for them: a little more, once far more."""
    reckoned = {("year-2/03-08", "K-13"): 31, ("year-2/03-22", "K-14"): 22, ("year-2/03-22", "K-10"): 4, ("year-1/03-21", "K-26"): 13}
    for day in demo["days"]:
        for visit in day["visits"]:
            kg = reckoned.get((day["on"], visit["tree"]))
            if kg:
                visit["logs"][-1]["pileKilos"] = round(kg * (1.8 if visit["tree"] == "K-10" else 1.15 * math.exp(random.gauss(0, 0.1))))


def taken_out():
    """Two trees that stood where K-35 and K-49 were planted since."""
    for tag, kind, name, place, planted, on, grounds, instead in (
        ("K-61", "apricot", "Tallow Lane", "K-35", 1978, "year-4/08-30", "fell", "K-35"),
        ("K-62", "plum", "Old Clamp", "K-49", 1969, "year-3/08-12", "spreading-disease", "K-49"),
    ):
        at = trees[place]["tree"]
        demo["trees"].append({
            "tree": {"tag": tag, "species": kind, "cultivar": name, "plantedYear": planted, "bearing": "spur", "purpose": "picking",
                     "eastM": at["eastM"], "northM": at["northM"], "inContainer": False},
            "surveys": [], "fruit": [],
            "removal": {"by": "Tamsin Oke", "on": on, "grounds": grounds, "permission": "Committee minute; no order on the tree",
                        "removedBy": "Corin Ashby", "replacement": instead, "note": "Stump ground out; another kind's soil was brought in."},
        })


def written(value, deep=0):
    """As the file is kept: what fits on a line stands on one."""
    line = json.dumps(value, ensure_ascii=False)
    if len(line) + deep <= 400 and deep > 1 or not isinstance(value, (dict, list)):
        return line
    inner = " " * (deep + 1)
    parts = ([f"{json.dumps(key, ensure_ascii=False)}: {written(one, deep + 1)}" for key, one in value.items()]
             if isinstance(value, dict) else [written(one, deep + 1) for one in value])
    ends = "{}" if isinstance(value, dict) else "[]"
    return ends[0] + "\n" + ",\n".join(inner + part for part in parts) + "\n" + " " * deep + ends[1]


fruit()
early_walks_and_days()
taken_out()
found, looks = wounds()
demo["records"] = {"oldWounds": found, "woundLooks": looks, "diseaseSeen": disease()}
minutes_taken()
piles_weighed()
PATH.write_text(written(demo) + "\n", encoding="utf-8")
