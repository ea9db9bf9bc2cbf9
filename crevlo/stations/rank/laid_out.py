"""What a scheme asks of a study, before anything is weighed: laid out once, whatever weights are tried."""

import uuid
from collections.abc import Mapping
from dataclasses import dataclass

from crevlo.core.figure import Figure
from crevlo.core.ranking.ranking import values_of
from crevlo.core.ranking.value import ValueFunction, value_function
from crevlo.stations.departures import departures_of
from crevlo.stations.evidence.entrant import By, Entrant, sides_of
from crevlo.stations.figures.study import StudyFigures
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.shape import Quantity, quantity
from crevlo.stations.rank.criteria import BY_CODE, unit_of
from crevlo.store.study import SchemeVersion

# A pure function of what a transaction sees: keyed by its snapshot, so never stale; lost without harm.
_laid_out: Kept["LaidOut"] = Kept(12)


@dataclass(frozen=True)
class Entered:
    """What stands in a machine's line whatever anything weighs."""

    row: list[Figure]
    values: list[float | None]
    raws: list[Quantity]
    all_in: Quantity
    departures: list[str]


@dataclass(frozen=True)
class LaidOut:
    """All that a scheme asks of a study, before anything is weighed; by the key of an entrant."""

    functions: list[ValueFunction]
    of: Mapping[uuid.UUID, Entered]
    sides: list[By]


def lay_out(inputs: StudyFigures, scheme: SchemeVersion) -> LaidOut:
    """Of a scheme and everybody who stands side by side; once for the same rows."""

    def make() -> LaidOut:
        currency, criteria = inputs.compared.study.currency, scheme.criteria
        functions = [value_function(c.shape, [(raw, value) for raw, value in c.points]) for c in criteria]
        told = [(unit_of(c.code, currency), BY_CODE[c.code].digits) for c in criteria]

        def entered(e: Entrant) -> Entered:
            row = [inputs.figure(c.code, e.key) for c in criteria]
            raws = [quantity(figure, unit, digits) for figure, (unit, digits) in zip(row, told, strict=True)]
            all_in = quantity(inputs.figure("price", e.key), currency, 0)
            return Entered(row, values_of(row, functions), raws, all_in, departures_of(e.bench, e.entry.unit_id))

        return LaidOut(functions, {e.key: entered(e) for e in inputs.entrants}, sides_of(inputs.bench))

    return make() if inputs.state is None else _laid_out.get(f"{inputs.state} {scheme.id}", make)
