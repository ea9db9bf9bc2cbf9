"""A machine's mark: its place in the study gives it colour and shape, the same on every screen."""

import uuid

from crevlo.stations.kit.shape import Shape
from crevlo.store.study import StudyUnit


class UnitMark(Shape):
    """A machine as it appears everywhere: name with its mark."""

    unit_id: uuid.UUID
    name: str
    mark: int
    is_control: bool


def mark_of(entry: StudyUnit) -> UnitMark:
    return UnitMark(unit_id=entry.unit_id, name=entry.unit.name, mark=entry.unit.mark, is_control=entry.is_control)
