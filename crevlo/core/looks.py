"""Three looks at a part, as on a production line: at the plate, after cleaning, before packing; each with its list."""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

from crevlo.core.estimate import BadInput


class Stage(StrEnum):
    PLATE = "plate"  # obvious faults, as it lies there
    CLEAN = "clean"  # the careful one, after supports are off
    PACK = "pack"  # all pieces there


class Result(StrEnum):
    FINE = "fine"
    CHECK = "check"  # somebody looks again by hand
    REJECT = "reject"  # a failure with a cause; a reprint


@dataclass(frozen=True, slots=True)
class Limits:
    """What a study's policy allows, in mm."""

    lift_mm: float = 1.0
    stain_mm: float = 1.0


@dataclass(frozen=True, slots=True)
class Item:
    """One thing to look for; `rejects` says whether it makes a part unusable by itself."""

    code: str
    asks: str
    rejects: bool


def items_of(stage: Stage, limits: Limits, *, supports: bool, pieces: int) -> tuple[Item, ...]:
    """The list of a look; `supports` and `pieces` are those of the artifact."""
    lift, stain = f"{limits.lift_mm:g} mm", f"{limits.stain_mm:g} mm"
    if stage is Stage.PLATE:
        return (
            Item("loose", "Came loose, or fell over", True), Item("lift", f"A corner lifted more than {lift}", True),
            Item("skips", "Lines skipped, or stopped early", True), Item("shift", "Layers shifted", True),
            Item("blob", "A blob or a spaghetti nest on it", False),
        )  # fmt: skip
    if stage is Stage.CLEAN:
        found = [
            Item("lift", f"A corner stands more than {lift} off a flat plate", True),
            Item("stain", f"A stain larger than {stain} on the base", False),
            Item("skips", "Skipped lines", True), Item("shift", "A shift against the model's picture", True),
        ]  # fmt: skip
        return (*found, Item("support", "Support left in it", False)) if supports else tuple(found)
    many = f"Fewer than {pieces} pieces in the bag" if pieces > 1 else "The piece is not in the bag"
    return (Item("missing", many, True), Item("label", "The bag's code is not the part's", False), Item("broken", "Broken since it was measured", True))  # fmt: skip


def check_look(items: Sequence[Item], wrong: Sequence[str], result: Result, words: str) -> None:
    """Raises BadInput for a look that contradicts its list or does not say why."""
    known = {i.code: i for i in items}
    strange = [code for code in wrong if code not in known]
    if strange:
        raise BadInput(f"{strange[0]} is not on the list of this look")
    if result is Result.FINE and wrong:
        raise BadInput("what is wrong with it is ticked: then it is checked by hand or rejected")
    if result is not Result.FINE and not (wrong or words.strip()):
        raise BadInput("tick what is wrong, or say it in words")
