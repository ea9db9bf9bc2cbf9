"""A reviewer's workbook of a round before Crevlo, as such books grow: made with a seed, brought in like anybody's."""

import io
import uuid
from datetime import date, datetime, time, timedelta

import numpy as np
from openpyxl import Workbook

from crevlo.sim.client import Client
from crevlo.sim.truth import MACHINES

TITLE = "Lamp knobs, from the old notes"
NAME = "knob-round.xlsx"
_BEGUN = date(2026, 3, 9)
# Hidden truths of the pieces: minutes on a machine of middling speed, g, and W above what the machine itself draws.
_PIECES = {"lamp knob": (74, 11.5, 40), "drawer clip": (41, 5.2, 35)}
_CHOSEN = ("Hollowell Mesa", "Oddfellow Sparrow", "Brindle 235")
_QUICK = dict(zip(_CHOSEN, (0.86, 1.08, 1.17), strict=True))
_FAILS = dict(zip(_CHOSEN, (0.06, 0.2, 0.12), strict=True))
_OFF_MM = dict(zip(_CHOSEN, (0.02, -0.05, 0.04), strict=True))


def workbook(seed: int, copies: int = 4, begun: date = _BEGUN) -> bytes:
    """Machines, prints and sizes on three sheets: dates in two forms, times in four, names in other case, doubts and gaps."""
    rng = np.random.default_rng(seed)
    book = Workbook()
    machines = book.active
    assert machines is not None
    machines.title = "Machines"
    machines.append(["Bench notes, lamp knobs"])
    machines.append([])
    machines.append(["machine", "price paid", "bought", "bed"])
    truths = {m.name: m for m in MACHINES}
    for at, name in enumerate(_CHOSEN):
        bed = " x ".join(f"{side:.0f}" for side in truths[name].bed_mm)
        price = f"{truths[name].price:.2f}".replace(".", ",") if at % 2 else round(truths[name].price)
        machines.append([name, price, f"{2 + at}.2.2026", bed])
    prints = book.create_sheet("Prints")
    prints.append(["date", "machine", "what", "material", "start", "end", "took", "g model", "kWh", "dB (0.5 m)", "ok?", "why not", "remarks"])  # fmt: skip
    day, busy = begun, dict.fromkeys(_CHOSEN, 0)
    for copy in range(copies):
        for piece in _PIECES:
            for name in _CHOSEN:
                tries = 0
                while True:
                    tries += 1
                    failed = bool(rng.random() < _FAILS[name]) and tries < 3
                    prints.append(
                        _row(
                            rng, name, piece, day + timedelta(days=busy[name] // 3), 8 + 4 * (busy[name] % 3), failed
                        )
                    )
                    busy[name] += 1
                    if not failed:
                        break
        if copy == 1:
            prints.append([])
    sizes = book.create_sheet("Calipers")
    sizes.append([None, "X", None, "Y", "Z"])
    sizes.append(["machine", "20", "hole 8", "20", "12"])
    sizes.merge_cells("B1:C1")
    for name in _CHOSEN:
        for _ in range(copies):
            sizes.append(
                [
                    name,
                    *(
                        _read(rng, nominal + sign * _OFF_MM[name])
                        for nominal, sign in ((20, 1), (8, -2), (20, 1), (12, 1))
                    ),
                ]
            )
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


def _row(rng: np.random.Generator, name: str, piece: str, day: date, hour: int, failed: bool) -> list[object]:
    minutes, grams, watts = _PIECES[piece]
    share = float(rng.uniform(0.2, 0.8)) if failed else 1.0
    took = round(minutes * _QUICK[name] * share * (1 + rng.normal(0, 0.012)))
    start = datetime.combine(day, time(hour)) + timedelta(minutes=int(rng.integers(0, 50)))
    end = start + timedelta(minutes=took)
    written = (took, f"{took} min", f"{took // 60}:{took % 60:02d}", f"{took // 60}h {took % 60:02d}m")[
        int(rng.integers(4))
    ]
    weight = round(grams * share * (1 + rng.normal(0, 0.01)), 1)
    kwh = round(took / 60 * (watts + 70) / 1000 * (1 + rng.normal(0, 0.02)), 3)
    noise = round(47 + 8 * (1.2 - _QUICK[name]) + rng.normal(0, 1))
    return [
        start if rng.random() < 0.4 else f"{day:%d.%m.%Y}", name.lower() if rng.random() < 0.2 else name, piece, "PLA",
        f"{start:%H:%M}", None if rng.random() < 0.15 else f"{end:%H:%M}", written,
        f"{weight}".replace(".", ",") if rng.random() < 0.5 else weight, kwh,
        (f"~{noise}", f"{noise}-{noise + 1}", noise, None)[int(rng.integers(4))], "n" if failed else "y",
        ("came loose", "ran out", "layer shift")[int(rng.integers(3))] if failed else None,
        "strings" if rng.random() < 0.2 else None,
    ]  # fmt: skip


def _read(rng: np.random.Generator, value: float) -> object:
    read = round(value + rng.normal(0, 0.012), 2)
    return f"{read:.2f}".replace(".", ",") if rng.random() < 0.4 else read


def play(reviewer: Client, seed: int) -> str:
    """Brings the workbook in as a person does: dropped, looked at, kept with what it does not say. Gives the study's id."""
    brought = workbook(seed)
    with reviewer.heavy:
        view = reviewer.send("PUT", "/api/old-benches/file", content=brought, name=NAME, zone="Europe/Berlin")
    caliper = next(i["id"] for i in reviewer.get("/api/library")["instruments"] if i["kind"] == "caliper")
    causes = {"came loose": "profile", "ran out": "operator", "layer shift": "machine"}
    wish = {
        "id": str(uuid.uuid4()), "sha256": view["sha256"], "name": view["name"], "zone": "Europe/Berlin", "title": TITLE,
        "question": "What did the old notes say of lamp knobs?", "currency": "EUR", "price_per_kg": 21.9,
        "measured_piece": "lamp knob", "instrument_id": caliper,
        "causes": [{"words": c["name"], "cause": causes[c["name"]]} for c in view["causes"]]}  # fmt: skip
    with reviewer.heavy:
        kept = reviewer.send("POST", "/api/old-benches", wish)
    return str(kept["study_id"])
