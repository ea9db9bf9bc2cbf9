"""One simulated machine at work: motion from its file, heat from a thermal model, faults from its hidden rate."""

import math
from dataclasses import dataclass
from typing import NamedTuple

import numpy as np

from crevlo.core.motion.stream import plan_stream
from crevlo.core.phases import Phase
from crevlo.sim.truth import Truth

AMBIENT_C = 21.0
LEVELLING_S = 75.0
STEP_S = 1.0
_COOL_ENOUGH_C = 35.0
# What is left running between prints, in W, and what the motors take while the head moves.
STANDBY_W, MOTORS_W = 7.0, 18.0


class State(NamedTuple):
    """What the machine does at a moment, as it would say it, and what it draws."""

    phase: Phase
    percent: float
    layer: int
    nozzle_c: float
    bed_c: float
    power_w: float
    message: str


@dataclass(frozen=True, slots=True)
class Fault:
    """What goes wrong, at which share of the print, and how the machine notices it; a silent one it does not notice."""

    kind: str
    share: float
    message: str
    silent: bool


FAULTS = (
    ("clog", "extruder motor skips", False), ("layer shift", "", True), ("loose plate", "", True),
    ("run-out", "no filament at the sensor", False),
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Heater:
    """A heated mass: what it draws at most in W, its heat capacity in J/K and its loss in W/K."""

    most_w: float
    capacity_j_k: float
    loss_w_k: float

    def step(self, now_c: float, target_c: float, seconds: float) -> tuple[float, float]:
        """Temperature after a moment, and the power drawn in it: full until the target, then what holds it."""
        if target_c <= 0:
            drawn = 0.0
        else:
            wanted = (target_c - now_c) * self.capacity_j_k / seconds + self.loss_w_k * (now_c - AMBIENT_C)
            drawn = min(self.most_w, max(0.0, wanted))
        change = (drawn - self.loss_w_k * (now_c - AMBIENT_C)) / self.capacity_j_k * seconds
        return now_c + change, drawn


class PrintRun:
    """One print from the button to a cold plate, computed ahead: a row for every second."""

    def __init__(self, truth: Truth, content: bytes, seed: int, nozzle_c: float = 215.0, bed_c: float = 60.0) -> None:
        self.truth = truth
        rng = np.random.default_rng([seed, *truth.name.encode()])
        self.fault = draw_fault(truth, rng)
        motion = plan_stream([content])
        by_layer = motion.by_layer if len(motion.by_layer) > 1 else np.full(101, motion.seconds / 100)
        self.layers = len(by_layer) - 1
        ends = np.cumsum(by_layer) * truth.time_factor
        share = self.fault.share if self.fault and not self.fault.silent else 1.0
        # Steady draw of the truth is for nozzle, bed and motors together.
        nozzle = Heater(0.13 * truth.heat_w + 20, 24.0, (0.3 * truth.steady_w) / (nozzle_c - AMBIENT_C))
        bed = Heater(
            0.87 * truth.heat_w - 20, 5.2 * truth.heat_w,
            max(0.2, (0.7 * truth.steady_w - MOTORS_W) / (bed_c - AMBIENT_C)),
        )  # fmt: skip
        rows: list[tuple[int, float, float, float, float, float]] = []
        at_nozzle, at_bed, warm_at, printed = AMBIENT_C, AMBIENT_C, math.inf, math.inf
        phases = list(Phase)
        t = 0.0
        while True:
            if t < LEVELLING_S:
                phase, targets, moving = Phase.LEVELLING, (0.0, 0.0), True
            elif warm_at == math.inf:
                phase, targets, moving = Phase.WARM_UP, (nozzle_c, bed_c), False
                if at_nozzle >= nozzle_c - 1 and at_bed >= bed_c - 1:
                    warm_at, phase = t, Phase.PRINTING
            elif t - warm_at < ends[-1] * share:
                phase, targets, moving = Phase.PRINTING, (nozzle_c, bed_c), True
            elif share < 1:
                phase, targets, moving = Phase.FAULT, (0.0, 0.0), False
            else:
                phase, targets, moving = Phase.COOLING, (0.0, 0.0), False
            at_nozzle, drawn_nozzle = nozzle.step(at_nozzle, targets[0], STEP_S)
            at_bed, drawn_bed = bed.step(at_bed, targets[1], STEP_S)
            done = 0.0 if warm_at == math.inf else min(t - warm_at, float(ends[-1]) * share)
            layer = int(np.searchsorted(ends, done)) if done > 0 else 0
            percent = 100.0 * done / float(ends[-1])
            if phase is Phase.COOLING:
                printed = min(printed, t)
                percent, layer = 100.0, self.layers
            watts = STANDBY_W + drawn_nozzle + drawn_bed + (MOTORS_W if moving else 0.0)
            rows.append((phases.index(phase), percent, min(layer, self.layers), at_nozzle, at_bed, watts))
            t += STEP_S
            if phase in (Phase.COOLING, Phase.FAULT) and at_bed < _COOL_ENOUGH_C:
                break
        self.rows = np.array(rows)
        self._phases = phases

    @property
    def seconds(self) -> float:
        """From the button to a plate that can be touched."""
        return len(self.rows) * STEP_S

    def state(self, t: float) -> State:
        """What the machine does `t` seconds after the button; before it and after the end it stands by."""
        if t < 0:
            return State(Phase.STANDBY, 0.0, 0, AMBIENT_C, AMBIENT_C, STANDBY_W, "")
        last = t >= self.seconds
        index, percent, layer, nozzle, bed, watts = self.rows[-1 if last else int(t / STEP_S)].tolist()
        phase = self._phases[int(index)]
        if last and phase is Phase.COOLING:
            phase = Phase.REMOVAL
        if last:
            nozzle, bed, watts = AMBIENT_C + 2, min(bed, _COOL_ENOUGH_C), STANDBY_W
        message = self.fault.message if self.fault and phase is Phase.FAULT else ""
        return State(phase, percent, int(layer), nozzle, bed, watts, message)


def draw_fault(truth: Truth, rng: np.random.Generator) -> Fault | None:
    """Whether and how a print fails, by the machine's hidden rate."""
    if rng.random() >= truth.fault_rate:
        return None
    kind, message, silent = FAULTS[int(rng.integers(len(FAULTS)))]
    return Fault(kind, float(rng.uniform(0.15, 0.9)), message, silent)
