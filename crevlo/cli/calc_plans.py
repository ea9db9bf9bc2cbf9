"""Topics of `crevlo calc` about plates, batches and circuits, about orders, and about studies taken together."""

from typing import Any

import numpy as np
from pydantic import Field, model_validator
from shapely import Polygon, box

from crevlo.cli.calc_input import Above0, Amount, Count, Input, Number, Topic
from crevlo.core import batch, circuit, phases, plate, pool
from crevlo.core.energy import LONGEST_STEP_S
from crevlo.core.estimate import BadInput
from crevlo.core.ranking import schools


class BatchIn(Input):
    parts: int = Field(ge=1, le=batch.MOST_PARTS)
    parts_per_plate: int = Field(ge=1, le=10_000)
    part_s: Amount
    part_g: Amount
    fixed_s: Amount = 0.0
    changes_per_plate: Count = 0
    change_s: Amount = 0.0
    purge_per_change_g: Amount = 0.0
    tower_g: Amount = 0.0
    purge_per_plate_g: Amount = 0.0
    kwh_per_plate: Amount = 0.0
    kwh_per_part: Amount = 0.0


class Iteration(Input):
    print_s: list[Above0] = Field(
        min_length=1, max_length=1_000, description="of each try, the last the one that is right"
    )
    fixed_s: Amount = Field(default=0.0, description="levelling, warm-up and the like of every print")
    between_s: Amount = Field(default=0.0, description="between a try and the next")


class Circuit(Input):
    amps: Above0
    volts: Above0
    factor: float = Field(default=circuit.PLANNED_SHARE, gt=0, le=1)
    peak_w: Above0
    steady_w: Above0


class PlateIn(Input):
    bed_x_mm: float = Field(gt=0, le=2_000)
    bed_y_mm: float | None = Field(default=None, gt=0, le=2_000, description="left out: as long as wide, or round")
    round: bool = False
    outline_mm: list[tuple[Number, Number]] | None = Field(default=None, min_length=3, max_length=500)
    part_x_mm: float | None = Field(default=None, gt=0, le=2_000)
    part_y_mm: float | None = Field(default=None, gt=0, le=2_000)
    spacing_mm: float = Field(default=2.0, ge=0, le=500)
    brim_mm: float = Field(default=0.0, ge=0, le=500)
    keep_outs_mm: list[tuple[Number, Number, Number, Number]] = Field(
        default=[], max_length=20, description="rectangles x0, y0, x1, y1 from the bed's middle"
    )

    @model_validator(mode="after")
    def _one_shape(self) -> "PlateIn":
        if (self.outline_mm is None) == (self.part_x_mm is None or self.part_y_mm is None):
            raise ValueError("give the outline of the part, or its two sides")
        return self


class PhasesIn(Input):
    time_s: list[Number] = Field(max_length=1_000_000)
    power_w: list[Amount] = Field(max_length=1_000_000)
    marks: list[tuple[Number, phases.Phase]] | None = Field(
        default=None, max_length=10_000, description="(s, phase that begins); left out: by steps of the power"
    )
    longest_step_s: Above0 = LONGEST_STEP_S


class Wins(Input):
    machines: dict[str, list[Number | None]] = Field(min_length=1, max_length=100)


class Ranks(Input):
    artifacts: dict[str, dict[str, Number]] = Field(min_length=1, max_length=1_000)


class Orders(Input):
    orders: list[list[Number]] = Field(
        min_length=2, max_length=20, description="ranks or scores of the same machines"
    )


class PricedScore(Input):
    price: Amount
    score: Number


class Frontier(Input):
    points: dict[str, PricedScore] = Field(min_length=1, max_length=1_000)


class StudyFigure(Input):
    value: Number
    u: Above0


class Pool(Input):
    studies: list[StudyFigure] = Field(max_length=1_000)


def _batch(given: BatchIn) -> Any:
    load = batch.PlateLoad(
        given.parts_per_plate, given.part_s, given.part_g, given.fixed_s, given.changes_per_plate, given.change_s,
        given.purge_per_change_g, given.tower_g, given.purge_per_plate_g, given.kwh_per_plate, given.kwh_per_part,
    )  # fmt: skip
    return batch.batch(given.parts, load)


def _plate(given: PlateIn) -> Any:
    part = Polygon(given.outline_mm) if given.outline_mm else box(0, 0, given.part_x_mm or 0, given.part_y_mm or 0)
    if not part.is_valid:
        raise BadInput("the outline crosses itself")
    bed = plate.Plate(
        given.bed_x_mm, given.bed_y_mm or given.bed_x_mm, given.round, tuple(box(*k) for k in given.keep_outs_mm)
    )
    made = plate.pack(part, bed, spacing_mm=given.spacing_mm, brim_mm=given.brim_mm)
    return {"copies": len(made.placements), "at_most": made.at_most, "placements": made.placements}


def _phases(given: PhasesIn) -> Any:
    at, watts = np.array(given.time_s), np.array(given.power_w)
    if len(at) != len(watts) or len(at) < 2 or (np.diff(at) <= 0).any():
        raise BadInput("times rise from sample to sample, with a power for each of at least two")
    found = (
        phases.guess_spans(at, watts)
        if given.marks is None
        else phases.spans(given.marks, float(at[0]), float(at[-1]))
    )
    return {
        "phases": [
            {
                "phase": p.phase.value, "seconds": p.seconds, "kwh": p.energy.kwh, "mean_w": p.mean_w, "p95_w": p.p95_w,
                "peak_w": p.peak_w,
            }
            for p in phases.power_by_phase(at, watts, found, given.longest_step_s)
        ]
    }  # fmt: skip


def _concordance(given: Orders) -> Any:
    a = given.orders[0]
    taus = [schools.concordance(a, b) for b in given.orders[1:]]
    return {"tau": taus[0] if len(taus) == 1 else taus}


PLAN_TOPICS: dict[str, Topic] = {
    "batch": (BatchIn, _batch, "plates, hours, waste and energy of N parts, and of one"),
    "iteration": (
        Iteration, lambda g: batch.iteration_clock(g.print_s, g.fixed_s, g.between_s), "time to each try of one part",
    ),
    "circuits": (
        Circuit, lambda g: circuit.carried(g.peak_w, g.steady_w, circuit.planned_w(g.amps, g.volts, g.factor)),
        "machines on one circuit: all at once, one after another",
    ),
    "plate": (PlateIn, _plate, "copies that fit on a bed"),
    "phases": (PhasesIn, _phases, "energy and power of each phase of a trace"),
    "wins": (Wins, lambda g: {"share": schools.win_shares(g.machines)}, "share of category comparisons won"),
    "ranks": (Ranks, lambda g: schools.rank_sums(g.artifacts), "ranks summed over artifacts"),
    "concordance": (Orders, _concordance, "how far orders agree, Kendall's tau; the first against each other"),
    "frontier": (
        Frontier, lambda g: {"frontier": schools.frontier({n: (p.price, p.score) for n, p in g.points.items()})},
        "machines that none beats in both price and score",
    ),
    "pool": (Pool, lambda g: pool.pool([(s.value, s.u) for s in g.studies]), "one figure of several studies, random effects"),
}  # fmt: skip
