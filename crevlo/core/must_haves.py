"""What a buyer must have, as far as a machine's figures say whether it has it: limits of price, noise, success, of any figure."""

from collections.abc import Callable
from dataclasses import dataclass, replace

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.evaluations import QUANTITIES
from crevlo.core.evaluations.evaluation import Better
from crevlo.core.evaluations.noise import PRINTING, STATES
from crevlo.core.figure import Counted, Figure, as_estimate
from crevlo.core.noise import NoiseState
from crevlo.core.ranking.gate import GateKind, Judged, judge_limit, judge_success

RESTS_ON_FIGURES = frozenset({GateKind.PRICE, GateKind.NOISE, GateKind.SUCCESS, GateKind.FIGURE})


@dataclass(frozen=True, slots=True)
class MustHave:
    """One must-have. `what` names the state of a noise limit, the part of a length, the material, or the figure; of a figure
    `at_least` says whether the limit is its least."""

    kind: GateKind
    limit: float = 0.0
    what: str = ""
    at_least: bool = False


def judge_by_figures(gate: MustHave, figure: Callable[[str], Figure], counted: Counted, currency: str) -> Judged:
    """Whether a machine has it, by its figures by code and its attempts that count. For the kinds of RESTS_ON_FIGURES alone;
    raises KeyError for others."""
    match gate.kind:
        case GateKind.PRICE:
            return _limited("all in", figure("price"), gate, currency)
        case GateKind.NOISE:
            state = NoiseState(gate.what or NoiseState.PRINTING.value)
            if state is NoiseState.PRINTING:
                return _limited("noise at 1 m", figure(PRINTING.code), gate, "dB")
            return _limited(f"noise at 1 m, {state.value},", figure(STATES[state].code), gate, "dB")
        case GateKind.SUCCESS:
            return judge_success(counted, gate.limit)
        case GateKind.FIGURE:
            return _any(gate, figure(gate.what), currency)
    raise KeyError(gate.kind)


def _limited(words: str, figure: Figure, gate: MustHave, unit: str) -> Judged:
    assert not isinstance(figure, Counted)
    return judge_limit(words, figure, gate.limit, unit)


def _any(gate: MustHave, figure: Figure, currency: str) -> Judged:
    kind = QUANTITIES[gate.what]
    if isinstance(figure, Counted) and gate.at_least:
        # A count is judged as a count: all good never fails for being few.
        return judge_success(figure, gate.limit / 100, "first attempts")
    estimate = figure if isinstance(figure, NotDetermined) else as_estimate(figure, kind.factor)
    if kind.better is Better.ZERO and isinstance(estimate, Estimate):
        # What is best at 0 is as far off on either side.
        estimate = replace(estimate, value=abs(estimate.value))
    unit = currency if kind.unit == "money" else kind.unit
    return judge_limit(kind.name.lower(), estimate, gate.limit, unit, kind.digits, at_least=gate.at_least)
