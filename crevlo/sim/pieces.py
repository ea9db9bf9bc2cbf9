"""A second study of the demo: nine kinds of pieces on three machines, with the hidden truths that each was made to bring out.

What the simulated hand reads off them goes over the same calls as a person's.
"""

import math
import uuid
from collections.abc import Callable
from dataclasses import dataclass, field
from datetime import UTC, datetime, timedelta
from functools import partial
from typing import Any

import numpy as np

from crevlo.sim import device
from crevlo.sim.audience import ask, picture
from crevlo.sim.client import Client, side_by_side

TITLE = "What each piece tells"
ARTIFACTS = ("CC", "OF", "BL", "FS", "ZC", "RW", "FL", "SL", "RA")


@dataclass(frozen=True, slots=True)
class Hidden:
    """One machine as the pieces will show it; lengths in mm, angles in °, flows in mm³/s."""

    gap: float
    overhang: float
    bridge: float
    tilt: tuple[float, float]
    dish: float
    band: tuple[float, float]
    ringing_hz: float
    waves: int
    flow: float
    fit: int
    scale: float
    clean_s: float
    scars: int
    preferred: float
    severity: dict[str, float] = field(default_factory=dict)


PIECES: dict[str, Hidden] = {
    "Hollowell Mesa": Hidden(0.17, 57, 62, (0.03, -0.02), 0.0, (8.0, 0.012), 46.5, 3, 23.5, 3, 0.0005, 95, 1, 1.0, {"stringing": 0.8, "droop": 0.9}),
    "Oddfellow Sparrow": Hidden(0.22, 51, 48, (-0.08, 0.05), -0.05, (8.0, 0.034), 38.0, 5, 14.5, 2, 0.0009, 140, 2, 0.2, {"stringing": 1.1, "droop": 1.6}),
    "Nettlewick Solo": Hidden(0.31, 47, 36, (0.12, 0.02), 0.04, (0.8, 0.042), 29.0, 7, 10.5, 4, 0.0011, 210, 3, -1.0, {"stringing": 1.9, "droop": 2.4, "ringing": 2.6}),
}  # fmt: skip
# Which print the look at the plate rejects.
REJECTED = ("Nettlewick Solo", "Bridge ladder", 2)


class Pieces:
    """Plans, prints, measures and judges the pieces; everything random comes from the seed."""

    def __init__(self, reviewer: Client, rater: Client, seed: int) -> None:
        self.reviewer, self.rater, self.seed = reviewer, rater, seed
        self.study = str(uuid.uuid4())

    def play(self, spool_id: str, second_id: str, reach: Callable[[], Client]) -> None:
        """Eight artifacts from one spool, the rack arm from a second material; `reach` is one of the audience."""
        self._plan(spool_id, second_id)
        made_by = self._print()
        self._gauge(made_by)
        self._measure(made_by)
        self._inspect(made_by)
        self._compare(made_by)
        self._audience(made_by, reach)

    def _plan(self, spool_id: str, second_id: str) -> None:
        send = self.reviewer.send
        view = send("POST", "/api/studies", {
            "id": self.study, "title": TITLE, "seed": self.seed, "currency": "EUR",
            "question": "Where is each machine's limit, and what does it come from?"})  # fmt: skip
        library = self.reviewer.get("/api/library")
        models = {m["name"]: m for m in library["models"]}
        for name in PIECES:
            model = {k: v for k, v in models[name].items() if k != "units"}
            lead = {"screw_lead_mm": 8, "belt_pitch_mm": 2, "pulley_teeth": 20}
            self.reviewer.enter("PUT", f"/api/models/{model['id']}", model | {"sheet": model["sheet"] | lead})
        if "scale" not in {i["kind"] for i in library["instruments"]}:
            self.reviewer.enter("POST", "/api/instruments", {
                "id": str(uuid.uuid4()), "code": "W-01", "kind": "scale", "unit": "g", "resolution": 0.001, "u_calibration": 0.001,
                "repeatability": 0.002, "calibrated_on": "2026-09-14"})  # fmt: skip
        self.reviewer.enter("PUT", f"/api/studies/{self.study}/plan", {
            "version": view["version"], "question": view["question"], "repeats": 2, "policies": view["policies"],
            "arms": [{"name": "Stock", "lines": [
                {"artifact": a, "spool_id": second_id if a == "RA" else spool_id, "copies": 2} for a in ARTIFACTS]}],
            "candidates": [{"model_id": models[name]["id"]} for name in PIECES]})  # fmt: skip
        self.reviewer.enter("POST", f"/api/studies/{self.study}/freeze", {
            "frozen_at": (datetime.now(UTC) - timedelta(days=12)).isoformat()})  # fmt: skip

    def _print(self) -> dict[str, tuple[str, int]]:
        """Every print comes out but one, which the look at the plate rejects; gives machine and copy by the code on its bag."""
        found: dict[str, tuple[str, int]] = {}
        by_machine: dict[str, list[dict[str, Any]]] = {}
        for job in self.reviewer.get(f"/api/studies/{self.study}/print")["jobs"]:
            by_machine.setdefault(job["machine"]["name"], []).append(job)

        def at(machine: str) -> None:
            clock = datetime.now(UTC) - timedelta(days=11)
            for job in by_machine[machine]:
                clock += timedelta(hours=4)
                found.update(dict.fromkeys(self._printed(job, clock), (machine, job["copy_number"])))

        side_by_side(at, by_machine)
        return found

    def _printed(self, job: dict[str, Any], clock: datetime) -> list[str]:
        """The codes of what came of one job."""
        name, copy, send = job["machine"]["name"], job["copy_number"], self.reviewer.send
        rng = self._chance(1, name, job["artifact"], copy)
        self.reviewer.enter(
            "PUT", f"/api/jobs/{job['id']}/file", content=device.short_file("step-block-a-0.20-absolute"), id=str(uuid.uuid4()),
            name=f"{job['artifact'].lower().replace(' ', '-')}.gcode",
        )  # fmt: skip

        def run(start: datetime, minutes: float, **more: str) -> dict[str, Any]:
            begun = str(uuid.uuid4())
            self.reviewer.enter("POST", f"/api/jobs/{job['id']}/runs", {
                "id": begun, "started_at": start.isoformat(),
                "deviation_reason": "Sliced for this piece alone; accepted."} | more)  # fmt: skip
            ended = send("POST", f"/api/runs/{begun}/end", {
                "version": 1, "outcome": "done",
                "ended_at": (start + timedelta(minutes=minutes)).isoformat()})  # fmt: skip
            last: dict[str, Any] = ended["runs"][-1]
            return last

        first = run(clock, float(rng.uniform(50, 80)))
        if (name, job["artifact"], copy) != REJECTED:
            return [first["bag_code"]]
        self.reviewer.enter("POST", f"/api/runs/{first['id']}/look", {
            "id": str(uuid.uuid4()), "stage": "plate", "result": "reject", "wrong": ["lift"], "cause": "machine",
            "words": "The near corner stands 2 mm off the plate.", "looked_at": (clock + timedelta(minutes=90)).isoformat()})  # fmt: skip
        return [first["bag_code"], run(clock + timedelta(hours=2), 61.0, changed="Plate washed.")["bag_code"]]

    def _gauge(self, made_by: dict[str, tuple[str, int]]) -> None:
        """The two at the bench read the same faces twice, before they measure: what their hands are worth."""
        path = f"/api/studies/{self.study}/gauge-studies"
        view = self.reviewer.get(path)
        face = next(f for f in view["faces"] if f["artifact"] == "Rack arm" and "caliper" in f["instruments"])
        tools = self.reviewer.get(f"/api/studies/{self.study}/measure")["instruments"]
        self.reviewer.enter("POST", path, {
            "id": str(uuid.uuid5(uuid.UUID(self.study), "gauge")), "instrument_id": next(i["id"] for i in tools if i["kind"] == "caliper"),
            "feature_ids": [face["feature_id"]], "people": [p["id"] for p in view["people"]], "parts": 6, "repeats": 2})  # fmt: skip
        for who, client, bias in (("reviewer", self.reviewer, 0.002), ("rater", self.rater, -0.006)):
            study = client.get(path)["studies"][0]
            while study["next"]:
                at = study["next"]
                name, copy = made_by[at["blind_code"]]
                size = at["nominal"] * (1 + PIECES[name].scale) + self._chance(8, name, copy).normal(0, 0.02)
                rng = self._chance(9, who, name, copy, at["repeat"])
                study = client.send("POST", f"/api/gauge-studies/{study['id']}/readings", {
                    "id": str(uuid.uuid4()), "part": at["part"], "repeat": at["repeat"],
                    "value": round(size + bias + float(rng.normal(0, 0.006)), 2)})["studies"][0]  # fmt: skip
        self.reviewer.enter("POST", f"/api/gauge-studies/{study['id']}/end")

    def _audience(self, made_by: dict[str, tuple[str, int]], reach: Callable[[], Client]) -> None:
        liked = {}
        for line in self.reviewer.get(f"/api/studies/{self.study}/measure")["queue"]:
            if line["artifact"] != "Rack arm" or line["blind_code"] not in made_by:
                continue
            name, copy = made_by[line["blind_code"]]
            liked[line["blind_code"]] = PIECES[name].preferred
            seen = picture(1.6 - PIECES[name].preferred, self._chance(10, name, copy))
            with self.reviewer.heavy:
                self.reviewer.enter(
                    "PUT", f"/api/specimens/{line['id']}/photos", id=str(uuid.uuid4()), caption="On the bench", content=seen,
                )  # fmt: skip
        ask(self.reviewer, reach, self.study, "Rack arm", liked, self.seed)

    def _measure(self, made_by: dict[str, tuple[str, int]]) -> None:
        queue = self.reviewer.get(f"/api/studies/{self.study}/measure")
        tools = {i["kind"]: i["id"] for i in reversed(queue["instruments"])}

        def measured(line: dict[str, Any]) -> None:
            name, copy = made_by[line["blind_code"]]
            rng = self._chance(2, name, line["artifact"], copy)
            view, hidden = self.reviewer.get(f"/api/specimens/{line['id']}"), PIECES[name]
            shift = float(rng.normal(0, 0.012))
            readings = [
                {"id": str(uuid.uuid4()), "feature_id": f["feature_id"], "repeat": repeat,
                 "instrument_id": next(tools[k] for k in f["instruments"] if k in tools), **value}
                for f in view["features"]
                for repeat in range(1, f["repeats"] + 1)
                if (value := read(f, hidden, rng, shift)) is not None
            ]  # fmt: skip
            if readings:
                self.reviewer.enter("POST", f"/api/specimens/{line['id']}/readings/batch", {"readings": readings})
            judgements = [
                {"id": str(uuid.uuid4()), "feature_id": j["feature_id"], "takes": j["takes"], **said}
                for j in view["judged"]
                if (said := judge(j, hidden, rng)) is not None
            ]
            if judgements:
                self.reviewer.enter(
                    "POST", f"/api/specimens/{line['id']}/judgements/batch", {"judgements": judgements}
                )

        # One is left for the newcomer.
        side_by_side(measured, queue["queue"][:-1])

    def _inspect(self, made_by: dict[str, tuple[str, int]]) -> None:
        """The second rater scores all but a few; the reviewer, a little milder, a third of them."""
        lines = self.rater.get(f"/api/studies/{self.study}/inspect")["specimens"]
        for who, client, mine, milder in (
            ("rater", self.rater, lines[:-4], 0.0),
            ("reviewer", self.reviewer, lines[:12], -0.3),
        ):
            side_by_side(partial(self._scored, made_by, who, client, milder), mine)

    def _scored(
        self, made_by: dict[str, tuple[str, int]], who: str, client: Client, milder: float, line: dict[str, Any]
    ) -> None:
        name, copy = made_by[line["blind_code"]]
        rng = self._chance(3, who, name, line["artifact"], copy)
        scores = []
        for code in line["asked"]:
            of_it = self._chance(5, name, line["artifact"], copy, code).normal(0, 1.1)
            true = PIECES[name].severity.get(code, 0.9) + of_it + milder
            severity = int(np.clip(round(true + rng.normal(0, 0.5)), 0, 4))
            scores.append({"id": str(uuid.uuid4()), "defect": code, "severity": severity})
        client.enter("POST", f"/api/specimens/{line['id']}/scores/batch", {"scores": scores})
        client.enter("POST", f"/api/specimens/{line['id']}/lock")

    def _compare(self, made_by: dict[str, tuple[str, int]]) -> None:
        """Duels of the piece that is handed over a counter."""
        path = f"/api/studies/{self.study}/duels"
        lines = self.rater.get(path)["lines"]
        arm = next(x["number"] for x in lines if x["artifact"] == "Rack arm")
        view = self.rater.get(path, line=arm)
        rng = self._chance(4)
        for _ in range(9):
            pair = view["pair"]
            if pair is None:
                return
            a, b = (PIECES[made_by[pair[s]["blind_code"]][0]].preferred for s in ("first", "second"))
            weight = np.array([math.exp(a), 0.6 * math.exp((a + b) / 2), math.exp(b)])
            won = ("first", "tie", "second")[int(rng.choice(3, p=weight / weight.sum()))]
            view = self.rater.send("POST", path, {
                "id": str(uuid.uuid4()), "first_id": pair["first"]["id"], "second_id": pair["second"]["id"], "ticket": pair["ticket"],
                "won": won})  # fmt: skip

    def _chance(self, *of: object) -> np.random.Generator:
        """By what it is, wherever it stands in a shuffled order."""
        return np.random.default_rng([self.seed, *" ".join(map(str, of)).encode()])


def read(feature: dict[str, Any], hidden: Hidden, rng: np.random.Generator, shift: float) -> dict[str, Any] | None:
    """What the hand reads off one feature: the hidden size with the instrument's scatter; None of what is left out."""
    scatter = float(rng.normal(0, 0.008))
    level, at = feature["level"] or 0.0, feature["at"] or (0.0, 0.0)
    match feature["entry"]:
        case "map" if feature["axis"] == "Z":
            away = (at[0] ** 2 + at[1] ** 2) / 90**2
            bed = (hidden.tilt[0] * at[0] + hidden.tilt[1] * at[1]) / 100 - hidden.dish * (1 - min(away, 1.0))
            return {"value": round(max(0.02, feature["nominal"] + bed + 0.5 * scatter + 0.3 * shift), 2)}
        case "column":
            pitch, amplitude = hidden.band
            return {
                "value": round(
                    feature["nominal"] + shift + amplitude * math.sin(2 * math.pi * level / pitch) + scatter, 2
                )
            }
        case "waves":
            return {"value": round(hidden.waves * level / hidden.ringing_hz + scatter, 2), "over": hidden.waves}
        case "scale":
            if feature["optional"]:
                return None
            short = max(0.0, 0.05 + 0.02 * (level - hidden.flow))
            return {"value": round(feature["nominal"] * 1.008 * (1 - short) + float(rng.normal(0, 0.002)), 3)}
        case "stopwatch":
            return {"value": round(hidden.clean_s * float(rng.uniform(0.9, 1.1)))}
        case "caliper" if not feature["optional"] and feature["nominal"]:
            return {"value": round(feature["nominal"] * (1 + hidden.scale) + shift + scatter, 2)}
        case "map":
            return {"value": round(feature["nominal"] + 0.5 * shift + scatter, 2)}
    return None


def judge(line: dict[str, Any], hidden: Hidden, rng: np.random.Generator) -> dict[str, Any] | None:
    """What is said of a feature that no instrument reads; None of what is left out."""
    if line["takes"] == "verdict":
        words = {w["word"] for w in line["words"]}
        true = hidden.gap if "fused" in words else hidden.bridge if "broken" in words else hidden.overhang
        unsure = line["nominal"] * (1 + float(rng.normal(0, 0.02)))
        passes = unsure >= true if line["easier"] == "larger" else unsure <= true
        if passes:
            return {"verdict": "pass"}
        near = abs(unsure - true) < 0.25 * true
        if "fused" in words:
            return {"verdict": "partly", "word": "with pliers"} if near else {"verdict": "fail", "word": "fused"}
        return {"verdict": "partly", "word": "drooping"} if near else {"verdict": "fail"}
    if line["takes"] == "word":
        return {"amount": hidden.fit, "word": line["words"][hidden.fit]["word"]}
    if line["takes"] == "count":
        return {"amount": 1 + int(rng.integers(0, 3))}
    if line["takes"] == "look" and line["entry"] == "judged":
        return {"amount": int(np.clip(hidden.scars + rng.integers(0, 2), 0, 5))}
    return None
