"""The demo scenario, entered through the HTTP API by simulated people and devices."""

import uuid
from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from typing import Any

import numpy as np

from crevlo.core.defects import USUAL
from crevlo.sim import device
from crevlo.sim.client import Client, side_by_side
from crevlo.sim.scenario import (
    ASSEMBLY,
    BOX,
    BOX_FLAWS,
    BUYERS,
    FAULTS,
    FEATURES,
    HOURS_APART,
    LIVE,
    SHEETS,
    WORTHS,
    claims_of,
)
from crevlo.sim.truth import MACHINES, Truth

TITLE = "Counter spares, autumn round"
NEXT_TITLE = "Counter spares, winter round"
DRAFT_TITLE = "Two-colour knobs"
SEED = 20266


def _new() -> str:
    return str(uuid.uuid4())


class Demo:
    """One run of the scenario; everything random comes from the seed, everything entered goes over the API."""

    def __init__(
        self, reviewer: Client, rater: Client, seed: int = SEED, machines: tuple[Truth, ...] = MACHINES
    ) -> None:
        self.reviewer, self.rater = reviewer, rater
        self.machines = {m.name: m for m in machines}
        self.rng = np.random.default_rng(seed)
        self.seed = seed
        self.study = _new()
        self.bagged: dict[str, Truth] = {}
        self.copies: dict[str, int] = {}
        # Simulated devices to start beside the demo, each with its token: what `crevlo sim` is told.
        self.devices: list[dict[str, str]] = []

    def play(self, *, copies: int = 3, leave_open: bool = True) -> str:
        """Enters the whole study."""
        self.begin(copies)
        self.go_through(leave_open)
        return self.study

    def begin(self, copies: int = 3, say: Callable[[str], None] = lambda _: None) -> None:
        """Up to the day on which the machines are there."""
        say("planning")
        self._library()
        self._plan(copies)
        self._buyers()
        say("receiving seven machines")
        self._receive()

    def go_through(self, leave_open: bool = True, say: Callable[[str], None] = lambda _: None) -> None:
        """From the first print to the plan of the next round; with `leave_open` the last prints are left for the person to go
        on with."""
        say("printing")
        self._hours(self.study)
        self._print(leave_open)
        jobs = self.reviewer.get(f"/api/studies/{self.study}/print")["jobs"]
        self.reviewer.enter("POST", f"/api/studies/{self.study}/deviations", {
            "id": _new(), "job_id": jobs[4]["id"], "what": "Room at 17 °C instead of 20 to 24 °C",
            "reason": "The heating was off that evening; the print was kept, because nothing else differed."})  # fmt: skip
        say("measuring")
        self._measure(leave_open)
        say("inspecting")
        self._inspect(leave_open)
        # Who wants to see how the printers stand before all is inspected leaves the blind, on record.
        self.reviewer.enter("POST", f"/api/studies/{self.study}/unblinding")
        say("planning the next round")
        self._next_round()
        self._draft()

    def _library(self) -> None:
        for truth in self.machines.values():
            x, y, z = truth.bed_mm
            self.reviewer.enter("POST", "/api/models", {
                "id": _new(), "name": truth.name, "bed_x_mm": x, "bed_y_mm": y, "height_mm": z,
                "list_price": round(truth.price * 1.08), "tools": truth.tools, "enclosed": truth.enclosed,
                "sheet": SHEETS.get(truth.name, {}) | {"peak_w": round(truth.heat_w * 1.1, -1)}})  # fmt: skip
        # Sold under another name: the reviewer is warned before paying for the same machine twice.
        twin = next(m for m in MACHINES if m.name == "Oddfellow Sparrow")
        self.reviewer.enter("POST", "/api/models", {
            "id": _new(), "name": "Pellworth Finch", "bed_x_mm": twin.bed_mm[0], "bed_y_mm": twin.bed_mm[1],
            "height_mm": twin.bed_mm[2], "list_price": 329, "sheet": SHEETS[twin.name] | {"weight_kg": 8.3}})  # fmt: skip
        self.spool, self.petg, self.brick = _new(), _new(), _new()
        dried = {"dried_on": (datetime.now(UTC) - timedelta(days=24)).date().isoformat()}
        for spool, code, material, colour, density, price, more in (
            (self.spool, "S-07", "PLA", "sage", 1.24, 22.5, dried), (self.petg, "S-11", "PETG", "slate", 1.27, 26.0, {}),
            (self.brick, "S-12", "PLA", "brick", 1.24, 22.5, {}),
        ):  # fmt: skip
            self.reviewer.enter("POST", "/api/spools", {
                "id": spool, "code": code, "maker": "Wendle Works", "material": material, "colour": colour,
                "density_g_cm3": density, "price_per_kg": price} | more)  # fmt: skip
        for code, kind, unit, resolution, u, repeatability in (
            ("C-02", "caliper", "mm", 0.01, 0.012, 0.008), ("P-01", "power meter", "Wh", 1, 0.8, 0.5),
            ("N-01", "sound meter", "dB", 0.1, 0.7, 0.3),
        ):  # fmt: skip
            self.reviewer.enter("POST", "/api/instruments", {
                "id": _new(), "code": code, "kind": kind, "unit": unit, "resolution": resolution, "u_calibration": u,
                "repeatability": repeatability, "calibrated_on": "2026-09-14"})  # fmt: skip

    def _buyers(self) -> None:
        send, path = self.reviewer.send, f"/api/studies/{self.study}/buyers"
        first = self.reviewer.send("POST", f"/api/studies/{self.study}/rank", {})["profile"]
        for name, given in BUYERS.items():
            if name == next(iter(BUYERS)):
                buyer, version = first["id"], first["version"]
            else:
                made = send("POST", path, {"id": _new(), "name": name})["profile"]
                buyer, version = made["id"], made["version"]
            self.reviewer.enter("PUT", f"{path}/{buyer}", {"version": version, "name": name, **given})

    def _same_buyers(self, study: str) -> None:
        """The next round recommends to the same people."""
        ranked = self.reviewer.send("POST", f"/api/studies/{self.study}/rank", {})
        neutral = self.reviewer.send("POST", f"/api/studies/{study}/rank", {})["profile"]
        path = f"/api/studies/{study}/buyers"
        for buyer in ranked["profiles"]:
            self.reviewer.enter("POST", path, {"id": _new(), "name": buyer["name"], "copy_of": buyer["id"]})
        self.reviewer.enter("DELETE", f"{path}/{neutral['id']}", version=neutral["version"])

    def _plan(self, copies: int) -> None:
        send = self.reviewer.send
        view = send("POST", "/api/studies", {
            "id": self.study, "title": TITLE, "seed": self.seed, "currency": "EUR",
            "question": "Which machine should a repair counter buy to print small household spares?"})  # fmt: skip
        models = {m["name"]: m["id"] for m in self.reviewer.get("/api/library")["models"]}
        self.reviewer.enter("PUT", f"/api/studies/{self.study}/plan", {
            "version": view["version"], "question": view["question"], "repeats": 3, "policies": view["policies"],
            "arms": [{"name": "Stock", "lines": [{"artifact": "SB", "spool_id": self.spool, "copies": copies}]}],
            "candidates": [
                {"model_id": models[t.name], "is_control": t.is_control} for t in self.machines.values()
            ]})  # fmt: skip
        frozen = datetime.now(UTC) - timedelta(days=24)
        self.reviewer.enter("POST", f"/api/studies/{self.study}/freeze", {"frozen_at": frozen.isoformat()})

    def _next_round(self) -> None:
        """The study after this one: many artifacts in two arms, drafted with the builder."""
        send = self.reviewer.send
        petg, brick = self.petg, self.brick
        models = {m["name"]: m["id"] for m in self.reviewer.get("/api/library")["models"]}
        self.next_study = _new()
        view = send("POST", "/api/studies", {
            "id": self.next_study, "title": NEXT_TITLE, "seed": self.seed + 1, "currency": "EUR",
            "question": "Does the pick still hold with PETG, supports and two colours?"})  # fmt: skip
        stock = [("SB", self.spool, 3), ("SF", brick, 2), ("RA", brick, 2), ("WB", petg, 3), ("SL", petg, 2),
                 ("BL", petg, 2), ("OP", petg, 1)]  # fmt: skip
        lines = [{"artifact": a, "spool_id": s, "copies": n} for a, s, n in stock]
        lines.append({"artifact": "CS", "spool_id": self.spool, "second_spool_id": brick, "copies": 2})
        own = [{"artifact": a, "spool_id": s, "copies": 2} for a, s in (("SB", self.spool), ("RA", brick))]
        self.reviewer.enter("PUT", f"/api/studies/{self.next_study}/plan", {
            "version": view["version"], "question": view["question"], "repeats": 3, "policies": view["policies"],
            "arms": [
                {"name": "Stock", "lines": lines, "conditions": {
                    "temperatures": [{"material": "PETG", "nozzle_c": 240, "bed_c": 80}]}},
                {"name": "Makers' own profiles", "slicing": "own", "lines": own},
            ],
            "candidates": [
                {"model_id": models[t.name], "is_control": t.is_control} for t in self.machines.values()
            ]})  # fmt: skip
        self._same_buyers(self.next_study)
        self.reviewer.enter("POST", f"/api/studies/{self.next_study}/freeze", {})
        self._hours(view["id"])
        jobs = self.reviewer.get(f"/api/studies/{self.next_study}/print")["jobs"]
        solo = next(j for j in jobs if j["machine"]["name"] == "Nettlewick Solo" and j["spool"] == "S-11")
        self.reviewer.enter("POST", f"/api/jobs/{solo['id']}/ability", {
            "id": _new(), "able": False, "because": "maker", "words": "its hot end is lined and is not to pass 235 °C",
            "of_material": True})  # fmt: skip
        # The worker makes it as soon as it runs.
        self.reviewer.enter("POST", f"/api/studies/{self.next_study}/schedule", {"id": _new()})

    def _hours(self, study: str) -> None:
        """Two people, two circuits, and one machine that its owner wants watched."""
        path = f"/api/studies/{study}/bench-rules"
        units = {u["machine"]["name"]: u["machine"]["unit_id"]
                 for u in self.reviewer.get(f"/api/studies/{study}/receive")["units"]}  # fmt: skip
        left = ("Hollowell Mesa", "Corvane Twin", "Tamsin Forge", "Orrin Standard")
        day = [{"opens": "09:00", "closes": "12:30"}, {"opens": "13:00", "closes": "17:30"}]
        rules = self.reviewer.get(path)
        self.reviewer.enter("PUT", path, rules | {
            "time_zone": "Europe/Berlin", "week": [day, day, day, day, day[:1], [], []], "people": 1,
            "attended_unit_ids": [units["Brindle 235"]], "dryers": 1,
            "circuits": [
                {"name": "Bench left", "limit_w": 600, "unit_ids": [units[n] for n in left]},
                {"name": "Bench right", "limit_w": 500, "unit_ids": [u for n, u in units.items() if n not in left]},
            ]})  # fmt: skip

    def _draft(self) -> None:
        """A study that is still being thought about."""
        view = self.reviewer.send("POST", "/api/studies", {
            "id": _new(), "title": DRAFT_TITLE, "seed": self.seed + 2, "currency": "EUR",
            "question": "Which machine holds the lamp knob's colours apart?"})  # fmt: skip
        draft = self.reviewer.get("/api/templates/colour")
        del draft["notes"]
        models = {m["name"]: m["id"] for m in self.reviewer.get("/api/library")["models"]}
        self.reviewer.enter("PUT", f"/api/studies/{view['id']}/plan", draft | {
            "version": view["version"], "question": view["question"],
            "candidates": [{"model_id": models[n], "is_control": n == "Orrin Standard"}
                           for n in ("Corvane Twin", "Hollowell Mesa", "Orrin Standard")]})  # fmt: skip

    def _receive(self) -> None:
        day = datetime.now(UTC) - timedelta(days=26)
        units = self.reviewer.get(f"/api/studies/{self.study}/receive")["units"]
        worths = self._price_list(units[0]["machine"]["unit_id"])
        side_by_side(lambda unit: self._take_in(unit, day, worths), units)

    def _price_list(self, unit_id: str) -> dict[str, str]:
        """What features are worth, for whatever machine has them; gives their numbers by name."""
        for name, worth in WORTHS.items():
            listed = self.reviewer.send(
                "POST",
                f"/api/studies/{self.study}/units/{unit_id}/worths",
                {"id": _new(), "name": name, "worth": worth},
            )
        return {f["name"]: f["id"] for f in listed["worth"]["features"]}

    def _take_in(self, unit: dict[str, Any], day: datetime, worths: dict[str, str]) -> None:
        """Price, checks, box, assembly, edges, warm-up, weight and claims of one machine; the control's log."""
        truth = self.machines[unit["machine"]["name"]]
        rng = np.random.default_rng([self.seed, 6, *truth.name.encode()])
        path = f"/api/studies/{self.study}/units/{unit['machine']['unit_id']}"
        next_day = (day + timedelta(days=1)).isoformat()
        self.reviewer.enter("PUT", path, {
            "version": unit["version"], "serial": f"{truth.name[:2].upper()}-{1000 + self.seed % 900 + 7 * len(truth.name)}",
            "price_paid": truth.price, "upgrades": truth.upgrades, "residual": truth.residual,
            "obtained": truth.obtained, "obtained_from": truth.obtained_from, "received_on": day.date().isoformat()})  # fmt: skip
        self.reviewer.enter("POST", f"{path}/check-round", {
            "checks": [{"id": _new(), "kind": c["kind"]} for c in unit["checks"]], "done_by": "Reviewer",
            "earth_by": "Qualified electrician", "done_at": next_day})  # fmt: skip
        flaw = BOX_FLAWS.get(truth.name)
        for name in BOX:
            found, note = flaw[1:] if flaw and flaw[0] == name else ("present", "")
            self.reviewer.enter("POST", f"{path}/box", {"id": _new(), "name": name, "found": found, "note": note})
        for name, minutes in ASSEMBLY:
            self.reviewer.enter("POST", f"{path}/assembly", {
                "id": _new(), "name": name, "seconds": round(60 * minutes * float(rng.uniform(0.6, 1.5)))})  # fmt: skip
        x, y, _ = truth.bed_mm
        edges = [round(float(v), 1) for v in rng.uniform(0, 7, 4)]
        measures: list[dict[str, Any]] = [
            *({"kind": f"{side} edge not reached", "value": v} for side, v in zip(("left", "right", "front", "back"), edges, strict=True)),
            {"kind": "plate width", "value": x}, {"kind": "plate depth", "value": y},
            {"kind": "warm-up, both", "value": round(260 * float(rng.uniform(0.8, 1.3))), "from_c": 21, "to_c": 215},
            {"kind": "weight", "value": round(SHEETS[truth.name]["weight_kg"] * float(rng.uniform(1.0, 1.05)), 2)},
        ]  # fmt: skip
        for measure in measures:
            self.reviewer.enter("POST", f"{path}/measures", measure | {"id": _new(), "taken_at": next_day})
        for kind, value in claims_of(truth).items():
            self.reviewer.enter("POST", f"{path}/claims", {"id": _new(), "kind": kind, "value": value, "said": "Maker's page, specifications"})  # fmt: skip
        for name in FEATURES.get(truth.name, ()):
            self.reviewer.enter("PUT", f"{path}/features/{worths[name]}", {"present": True})
        if truth.is_control:
            self.reviewer.enter(
                "POST", f"{path}/log", {"id": _new(), "kind": "hours", "hours": 912, "at": day.isoformat()}
            )
            for words in ("Part fan seized, replaced", "Filament sensor reports a run-out that is none"):
                self.reviewer.enter(
                    "POST", f"{path}/log", {"id": _new(), "kind": "fault", "words": words, "at": day.isoformat()}
                )

    def _print(self, leave_open: bool) -> None:
        jobs = self.reviewer.get(f"/api/studies/{self.study}/print")["jobs"]
        # The last print of two machines is left under way, with devices that watch it.
        last = {j["machine"]["name"]: j["id"] for j in jobs}
        live = {last[name]: minutes for name, minutes in LIVE.items() if leave_open and name in last}
        first = datetime.now(UTC) - timedelta(days=21)

        def go_through(job: dict[str, Any]) -> None:
            truth = self.machines[job["machine"]["name"]]
            view = self.reviewer.send(
                "PUT", f"/api/jobs/{job['id']}/file", content=device.sliced_file(truth.sliced), id=_new(),
                name=f"{truth.name.lower().replace(' ', '-')}-copy-{job['copy_number']}.gcode",
            )  # fmt: skip
            if job["id"] in live:
                started = datetime.now(UTC) - timedelta(minutes=live[job["id"]])
                self._start(job["id"], view, started, attempt=1)
                self._watch(job, truth, started)
            else:
                rng = np.random.default_rng([self.seed, 5, *truth.name.encode(), job["copy_number"]])
                begins = first + timedelta(hours=HOURS_APART * jobs.index(job) + float(rng.uniform(0, 4)))
                self._attempts(job["id"], truth, view, begins, rng)

        side_by_side(go_through, jobs)

    def _watch(self, job: dict[str, Any], truth: Truth, started: datetime) -> None:
        """A power meter and a printer that report by themselves, on one machine."""
        short = "".join(word[0] for word in truth.name.split()).upper()
        for kind, command in (("printer", "printer"), ("power meter", "meter")):
            added = self.reviewer.send("POST", "/api/devices", {
                "id": _new(), "name": f"{truth.name}, itself" if kind == "printer" else f"Plug {short}", "kind": kind,
                "unit_id": job["machine"]["unit_id"]})  # fmt: skip
            self.devices.append({
                "device": command, "token": added["token"], "machine": truth.name, "sliced": truth.sliced,
                "start": started.isoformat(), "seed": str(self.seed + 40)})  # fmt: skip

    def _attempts(
        self, job_id: str, truth: Truth, view: dict[str, Any], clock: datetime, rng: np.random.Generator
    ) -> None:
        """Tries until a print is good, as the hidden fault rate decides."""
        for attempt in (1, 2, 3):
            seconds = device.print_seconds(truth, view["file"]["time_s"], rng)
            run_id = self._start(job_id, view, clock, attempt)
            fault = device.draw_fault(self.seed, truth, view["copy_number"], attempt)
            if attempt < 3 and fault is not None:
                cause, share = fault
                clock += timedelta(seconds=seconds * share)
                self.reviewer.enter("POST", f"/api/runs/{run_id}/end", {
                    "version": 1, "outcome": "failed", "cause": cause.value, "ended_at": clock.isoformat(),
                    "failed_at_percent": round(100 * share), "note": FAULTS[cause.value]})  # fmt: skip
                clock += timedelta(hours=1)
                continue
            self._finish(run_id, truth, clock, seconds, rng)
            return

    def _start(self, job_id: str, view: dict[str, Any], at: datetime, attempt: int) -> str:
        run_id = _new()
        self.reviewer.enter("POST", f"/api/jobs/{job_id}/runs", {
            "id": run_id, "started_at": at.isoformat(),
            "changed": "" if attempt == 1 else "Plate washed, file and spool the same.",
            "deviation_reason": "The file's own start code differs; accepted." if view["file"]["deviations"] else ""})  # fmt: skip
        return run_id

    def _finish(self, run_id: str, truth: Truth, start: datetime, seconds: float, rng: np.random.Generator) -> None:
        send = self.reviewer.send
        if rng.random() < 0.3:
            trace = device.power_trace(truth, start, seconds, float(rng.uniform(20, 90)), rng)
            with self.reviewer.heavy:
                self.reviewer.enter("PUT", f"/api/runs/{run_id}/trace", content=trace, version=1)
        else:
            self.reviewer.enter("PUT", f"/api/runs/{run_id}/energy", {
                "version": 1, "energy_wh": device.energy_wh(truth, seconds, rng)})  # fmt: skip
        self.reviewer.enter("POST", f"/api/runs/{run_id}/noise", {
            "id": _new(), "level_db": device.sound_meter(truth, rng), "background_db": device.AMBIENT_DB,
            "distance_m": 1.0, "door_shut": True, "taken_at": (start + timedelta(seconds=seconds / 2)).isoformat()})  # fmt: skip
        ended = send("POST", f"/api/runs/{run_id}/end", {
            "version": 2, "outcome": "done", "ended_at": (start + timedelta(seconds=seconds)).isoformat()})  # fmt: skip
        # The bag's label is all that ties the part on the bench to its machine.
        self.bagged[ended["runs"][-1]["bag_code"]] = truth
        self.copies[ended["runs"][-1]["bag_code"]] = ended["copy_number"]

    def _of(self, code: str, purpose: int) -> np.random.Generator:
        """Chance of one specimen: by the print that it is, whatever code it got and wherever it stands in the queue."""
        name, copy = self.bagged[code].name, self.copies[code]
        return np.random.default_rng([self.seed, purpose, *name.encode(), copy])

    def _turn(self, line: dict[str, Any]) -> float:
        """A shuffled order that is the same at every play: codes and places come from a secret, the figures must not."""
        return float(self._of(line["blind_code"], 4).random())

    def _measure(self, leave_open: bool) -> None:
        queue = self.reviewer.get(f"/api/studies/{self.study}/measure")
        caliper = queue["instruments"][0]["id"]
        faces = {a["id"]: [f for f in a["features"] if f["measured"]] for a in queue["artifacts"]}
        clock = datetime.now(UTC) - timedelta(days=3)
        self.reviewer.enter("POST", f"/api/studies/{self.study}/zero-checks", {
            "id": _new(), "instrument_id": caliper, "value": 0.0, "taken_at": clock.isoformat()})  # fmt: skip
        waiting = len(queue["queue"])
        for place, line in enumerate(sorted(queue["queue"], key=self._turn)):
            truth = self.bagged[line["blind_code"]]
            size_rng = self._of(line["blind_code"], 2)
            left = waiting - place if leave_open else 99
            if left <= 2:
                break
            read = []
            for number, face in enumerate(faces[line["artifact_id"]]):
                size = device.true_size_mm(truth, face["axis"], face["sense"], face["nominal"])
                size += size_rng.normal(0, truth.copy_spread_mm)
                if left == 3 and number == 4:
                    break
                for repeat in range(1, queue["repeats"] + 1):
                    clock += timedelta(seconds=float(self.rng.uniform(6, 14)))
                    read.append({
                        "id": _new(), "feature_id": face["id"], "repeat": repeat, "instrument_id": caliper,
                        "value": device.caliper(size, size_rng), "taken_at": clock.isoformat()})  # fmt: skip
            self.reviewer.enter("POST", f"/api/specimens/{line['id']}/readings/batch", {"readings": read})

    def _inspect(self, leave_open: bool) -> None:
        lines = self.rater.get(f"/api/studies/{self.study}/inspect")["specimens"]
        lines = sorted(lines, key=self._turn)
        side_by_side(self._score, lines[:-4] if leave_open else lines)

    def _score(self, line: dict[str, Any]) -> None:
        scores = device.severities(self.bagged[line["blind_code"]], self._of(line["blind_code"], 3))
        given = [{"id": _new(), "defect": code, "severity": scores[code]} for code in USUAL]
        self.rater.enter("POST", f"/api/specimens/{line['id']}/scores/batch", {"scores": given})
        self.rater.enter("POST", f"/api/specimens/{line['id']}/lock")
