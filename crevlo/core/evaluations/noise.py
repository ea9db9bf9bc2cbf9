"""Noise at 1 m, kept apart by what the machine does."""

import math
from collections.abc import Iterable, Mapping
from contextlib import suppress

from crevlo.core.estimate import Estimate, NotDetermined, determined
from crevlo.core.evaluations.evaluation import (
    Better,
    Evaluation,
    Instruments,
    Quantity,
    Rests,
    Results,
    lines_of,
    mean_figures,
)
from crevlo.core.evidence import Evidence, Instrument, Key, Level, Machine, Run
from crevlo.core.noise import NoiseState, level_at_1_m_db, mean_level_db
from crevlo.core.statistics import effective_dof, sample_mean

# Of a reading without a meter on record.
U_SOUND_DB = 1.0

_RULE = "background taken out, brought to 1 m as a free-field estimate."
PRINTING = Quantity(
    "noise", "Noise at 1 m", "Noise", "dB", 1, Better.LOWER, Rests.NOISE,
    f"Energy mean of the readings taken while printing, {_RULE}", 65, 40,
)  # fmt: skip
OTHERS = {
    NoiseState.STANDBY: ("noise.standby", "Noise standing by", "Standby noise", 45, 25),
    NoiseState.HEATING: ("noise.heating", "Noise heating up", "Heating noise", 55, 30),
    NoiseState.FAST: ("noise.fast", "Noise at its fastest", "Noise, fastest", 70, 45),
}
STATES = {
    state: Quantity(
        code, name, short, "dB", 1, Better.LOWER, Rests.NOISE,
        f"Mean of the readings of the door and fan read most often in this state, {_RULE} The meter's calibration is in U.",
        worst, best,
    )
    for state, (code, name, short, worst, best) in OTHERS.items()
}  # fmt: skip


def run_level_db(levels: Iterable[Level]) -> float | None:
    """Energy mean at 1 m of the readings taken while printing that can be determined; None where there is none."""
    readings = []
    for level in levels:
        if level.state is NoiseState.PRINTING:
            with suppress(NotDetermined):
                readings.append(level_at_1_m_db(level.level_db, level.background_db, level.distance_m))
    return mean_level_db(readings) if readings else None


def of_state(levels: Iterable[Level], state: NoiseState, instruments: Instruments) -> tuple[Estimate, str]:
    """Level at 1 m in one state with the meter's calibration in its uncertainty, and in words what it was read with.

    Readings with the door open or shut, or at another fan speed, are other figures: the case read most often counts.
    Raises NotDetermined with fewer than two that count.
    """
    cases: dict[tuple[bool, float | None], list[tuple[float, Key | None]]] = {}
    for level in levels:
        if level.state is state:
            with suppress(NotDetermined):
                at_1_m = level_at_1_m_db(level.level_db, level.background_db, level.distance_m)
                cases.setdefault((level.door_shut, level.fan_percent), []).append((at_1_m, level.meter))
    if not cases:
        raise NotDetermined(f"noise readings in the state “{state.value}”")
    (door_shut, fan), found = max(cases.items(), key=lambda case: len(case[1]))
    made = sample_mean([level for level, _ in found], f"noise readings in the state “{state.value}” that count")
    u_meter = max((instruments[m].u_calibration for _, m in found if m is not None), default=U_SOUND_DB)
    u2 = made.u**2 + u_meter**2
    words = f"{state.value}, door {'shut' if door_shut else 'open'}"
    words += f", fan {fan:.0f} %" if fan is not None else ""
    return Estimate(made.value, math.sqrt(u2), effective_dof(u2, made.u**2, made.dof)), words


def levels_of(machine: Machine) -> list[Level]:
    """Of its prints, and of the machine while it printed nothing."""
    return [level for run in machine.runs for level in run.levels] + list(machine.idle)


def of_machines(evidence: Evidence) -> Results:
    def value(run: Run) -> float | None:
        return run_level_db(run.levels)

    lines = lines_of(evidence, value)
    needs = "a noise reading of a good print, taken while it printed"
    figures: dict[str, Mapping[Key, Estimate | NotDetermined]] = {}
    printing = mean_figures(evidence, lines, needs, _u_meter(evidence.instruments.values()))
    for state, quantity in STATES.items():
        figures[quantity.code] = {
            key: determined(lambda m=m, state=state: of_state(levels_of(m), state, evidence.instruments)[0])  # type: ignore[misc]
            for key, m in evidence.machines.items()
        }
    return Results({PRINTING.code: printing, **figures}, {PRINTING.code: lines})


def _u_meter(instruments: Iterable[Instrument]) -> float:
    return max((i.u_calibration for i in instruments if i.kind == "sound meter"), default=U_SOUND_DB)


NOISE = Evaluation("noise", "Noise by state", (PRINTING, *STATES.values()), of_machines)
