"""The safety checks of a unit in words: what to look for, the caution, and what a failure closes."""

from pydantic import Field

from crevlo.stations.kit.shape import Shape
from crevlo.store.machine import Check


class CheckText(Shape):
    kind: Check
    title: str
    look: str
    caution: str
    fails: str = Field(description="what a failed check closes")


_GATE = "Failed, it closes the gate on unattended printing until a re-check passes."
_ENDS = "Failed, it ends all testing on this unit until a re-check passes."
CHECKS = (
    CheckText(
        kind=Check.MAINS, title="Mains selector", fails=_ENDS,
        look="Unplugged: the voltage selector, where there is one, stands on the local voltage.",
        caution="Never open a powered unit. What the maker and the local code say comes first.",
    ),
    CheckText(
        kind=Check.CABLES, title="Cables and plug", fails=_ENDS,
        look="Unplugged: cable, plug and inlet whole, nothing pinched, strain relief firm, no bare wire to be seen.",
        caution="A tingle, a damaged cable or a missing earth means stop, unplug, and have a qualified person check.",
    ),
    CheckText(
        kind=Check.EARTH, title="Protective earth and touch current", fails=_ENDS,
        look="Record what a qualified person measured: earth continuity and touch current within the local limits.",
        caution="Only for a qualified person with a suitable meter, by the local code. Crevlo gives no instructions for it.",
    ),
    CheckText(
        kind=Check.RUNAWAY, title="Thermal-runaway response", fails=_ENDS,
        look="The unit stops heating and says so when a heater does not follow, tested as its maker describes.",
        caution="Keep a working smoke alarm and clear surroundings, and stay. The maker's instructions come first.",
    ),
    CheckText(
        kind=Check.STOP, title="Emergency stop", fails=_GATE,
        look="Switch or stop within reach, and everything still within a moment of using it.",
        caution="Nozzle and bed burn, moving axes pinch: hands away while it moves.",
    ),
    CheckText(
        kind=Check.SCREWS, title="Loose screws, belts and clips", fails=_GATE,
        look="Cold and at rest: grub screws on pulleys, belts, plate clips and connectors tight; surroundings clear.",
        caution="Unplugged where the maker says so. Cut and pry away from the hand, with eye protection.",
    ),
)  # fmt: skip
# A failed one of these ends testing on the unit, not only unattended prints.
ENDING = (Check.MAINS, Check.CABLES, Check.EARTH, Check.RUNAWAY)
TITLES = {t.kind: t.title for t in CHECKS}
