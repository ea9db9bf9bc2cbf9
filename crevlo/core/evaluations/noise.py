"""Noise at 1 m, kept apart by what the machine does."""

from collections.abc import Iterable, Mapping, Sequence
from contextlib import suppress

from crevlo.core.estimate import Estimate, NotDetermined, Shared, determined, made_of, mean_shared
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
from crevlo.core.evidence import Evidence, Key, Level, Machine, Run
from crevlo.core.noise import NoiseState, level_at_1_m_db, mean_level_db
from crevlo.core.readings import calibration_of
from crevlo.core.statistics import sample_mean

# Of a reading without a meter on record; whichever it was, the same one for all.
U_SOUND_DB = 1.0
_NO_METER = "sound meter not on record"

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


def run_level(levels: Iterable[Level], instruments: Instruments) -> Estimate | None:
    """Energy mean at 1 m of the readings taken while printing that can be determined, with the share of each meter's
    calibration; None where there is none."""
    readings, meters = [], []
    for level in levels:
        if level.state is NoiseState.PRINTING:
            with suppress(NotDetermined):
                readings.append(level_at_1_m_db(level.level_db, level.background_db, level.distance_m))
                meters.append(level.meter)
    return made_of(mean_level_db(readings), 0.0, shared=_shared(meters, instruments)) if readings else None


def _shared(meters: Sequence[Key | None], instruments: Instruments) -> Shared:
    known = (instruments[m] if m is not None else None for m in meters)
    return mean_shared([{calibration_of(i): i.u_calibration} if i else {_NO_METER: U_SOUND_DB} for i in known])


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
    words = f"{state.value}, door {'shut' if door_shut else 'open'}"
    words += f", fan {fan:.0f} %" if fan is not None else ""
    return made_of(made.value, made.u, made.dof, _shared([m for _, m in found], instruments)), words


def levels_of(machine: Machine) -> list[Level]:
    """Of its prints, and of the machine while it printed nothing."""
    return [level for run in machine.runs for level in run.levels] + list(machine.idle)


def of_machines(evidence: Evidence) -> Results:
    def value(run: Run) -> Estimate | None:
        return run_level(run.levels, evidence.instruments)

    lines = lines_of(evidence, value)
    needs = "a noise reading of a good print, taken while it printed"
    figures: dict[str, Mapping[Key, Estimate | NotDetermined]] = {}
    printing = mean_figures(evidence, lines, needs)
    for state, quantity in STATES.items():
        figures[quantity.code] = {
            key: determined(lambda m=m, state=state: of_state(levels_of(m), state, evidence.instruments)[0])  # type: ignore[misc]
            for key, m in evidence.machines.items()
        }
    return Results({PRINTING.code: printing, **figures}, {PRINTING.code: lines})


NOISE = Evaluation("noise", "Noise by state", (PRINTING, *STATES.values()), of_machines)
