"""What a protocol says, as it is drafted, shown and exchanged."""

import uuid
from typing import Any, Literal

from pydantic import Field, model_validator

from crevlo.core.gcode.wanted import Wanted
from crevlo.core.protocol import Slicing, Tuning
from crevlo.stations.kit.shape import MOST_MACHINES, MOST_PARTS, Name, Shape, Version
from crevlo.store.machine import Spool
from crevlo.store.study import Arm

CauseName = Literal["machine", "profile", "material", "operator", "power", "unknown"]
MOST_ARMS, MOST_LINES, MOST_JOBS = 8, 60, 3000


class Temperatures(Shape):
    """Of one material, where an arm prints several."""

    material: str = Field(min_length=1, max_length=20)
    nozzle_c: float | None = Field(default=None, gt=0, le=600)
    bed_c: float | None = Field(default=None, ge=0, le=200)


class Conditions(Shape):
    """Print conditions; an empty one is left to the maker's profile."""

    layer_height_mm: float | None = Field(default=0.2, ge=0.01, le=2)
    infill_percent: float | None = Field(default=15, ge=0, le=100)
    walls: int | None = Field(default=2, ge=1, le=50)
    nozzle_mm: float | None = Field(default=0.4, ge=0.05, le=3)
    nozzle_c: float | None = Field(default=215, gt=0, le=600)
    bed_c: float | None = Field(default=60, ge=0, le=200)
    speed_mm_s: float | None = Field(default=None, gt=0, le=5000, description="of walls")
    material: str | None = Field(default=None, max_length=20)
    temperatures: list[Temperatures] = Field(
        default=[], max_length=20, description="of materials that are printed at others than the arm's"
    )

    @model_validator(mode="after")
    def _one_each(self) -> "Conditions":
        names = [t.material.casefold() for t in self.temperatures]
        if len(set(names)) < len(names):
            raise ValueError("a material has its temperatures twice")
        return self

    @property
    def words(self) -> list[str]:
        """What is fixed, as a person says it."""
        said = {
            "layers of {:g} mm": self.layer_height_mm, "{:g} % infill": self.infill_percent, ("{:g} wall" if self.walls == 1 else "{:g} walls"): self.walls,
            "a {:g} mm nozzle": self.nozzle_mm, "nozzle at {:g} °C": self.nozzle_c, "bed at {:g} °C": self.bed_c,
            "walls at {:g} mm/s": self.speed_mm_s,
        }  # fmt: skip
        words = [words.format(value) for words, value in said.items() if value is not None]
        for t in self.temperatures:
            own = {"nozzle at {:g} °C": t.nozzle_c, "bed at {:g} °C": t.bed_c}
            words += [f"{t.material}: {w.format(value)}" for w, value in own.items() if value is not None]
        return words

    @property
    def sentence(self) -> str:
        """What is fixed, then what is left to the maker."""
        words = ", ".join(self.words)
        if not words:
            return "All settings are the maker's own."
        left = [
            self.layer_height_mm, self.infill_percent, self.walls, self.nozzle_mm, self.nozzle_c, self.bed_c
        ].count(None)  # fmt: skip
        rest = "; the rest is the maker's own" if left else ""
        return f"{words[0].upper()}{words[1:]}{rest}."


MAKERS_OWN = Conditions(
    layer_height_mm=None, infill_percent=None, walls=None, nozzle_mm=None, nozzle_c=None, bed_c=None
)


class Policies(Shape):
    """What practitioners disagree on, each as a named option."""

    pieces: Literal["isolating", "general"] = "isolating"
    material: Literal["same spool", "same lot"] = "same spool"
    drying: Literal["dried before use", "as received"] = "dried before use"
    counted_causes: list[CauseName] = Field(default=["machine", "profile", "unknown"], max_length=6)
    most_attempts: int = Field(default=3, ge=1, le=10)
    unattended: Literal["never", "after checks"] = "after checks"
    lift_mm: float = Field(default=1.0, gt=0, le=20, description="a corner that lifts more is rejected")
    stain_mm: float = Field(default=1.0, gt=0, le=50, description="a larger stain on the base is looked at again")


MOST_SPOOLS = 16
# Of one model, in all the years of a bench.
MOST_UNITS = 9_999


class OwnSpool(Shape):
    """A machine that takes another spool of the line's material: of another diameter, or in a colour of its own."""

    model_id: uuid.UUID
    unit: int = Field(default=1, ge=1, le=MOST_UNITS)
    spool_id: uuid.UUID


class LineIn(Shape):
    """One artifact from one spool; `artifact` is a code of the shelf or the id of a stored version."""

    artifact: str = Field(max_length=36)
    spool_id: uuid.UUID | None = None
    second_spool_id: uuid.UUID | None = None
    more_spool_ids: list[uuid.UUID] = Field(
        default=[], max_length=MOST_SPOOLS - 2, description="of a third tool and further"
    )
    own_spools: list[OwnSpool] = Field(default=[], max_length=MOST_MACHINES)
    copies: int = Field(default=3, ge=1, le=20)
    parts: int | None = Field(
        default=1, ge=1, le=MOST_PARTS, description="on a plate; none: as many as the bed of each machine holds"
    )


def own_is_open(given: Any) -> Any:
    """An arm of the makers' own slicers fixes nothing, unless it says so."""
    if isinstance(given, dict) and given.get("slicing") == Slicing.OWN and given.get("conditions") is None:
        return {**given, "conditions": MAKERS_OWN}
    return given


class ArmIn(Shape):
    _own_is_open = model_validator(mode="before")(own_is_open)
    name: Name = Field(min_length=1, max_length=60)
    slicing: Slicing = Slicing.COMMON
    tuning: Tuning = Tuning.STOCK
    conditions: Conditions = Conditions()
    lines: list[LineIn] = Field(max_length=MOST_LINES)


class Candidate(Shape):
    model_id: uuid.UUID
    is_control: bool = False
    unit: int = Field(default=1, ge=1, le=MOST_UNITS, description="which unit of the model: 1 is the first that came")


class Draft(Shape):
    version: Version
    question: str = Field(max_length=500)
    candidates: list[Candidate] = Field(max_length=MOST_MACHINES)
    arms: list[ArmIn] = Field(min_length=1, max_length=MOST_ARMS)
    repeats: int = Field(ge=1, le=10, description="readings of a face")
    policies: Policies

    @model_validator(mode="after")
    def _consistent(self) -> "Draft":
        names = [arm.name.strip().lower() for arm in self.arms]
        if len(set(names)) < len(names):
            raise ValueError("two arms have the same name")
        if self.arms[0].tuning is not Tuning.STOCK:
            raise ValueError("stock comes first: the first arm cannot be a tuned one")
        for arm in self.arms:
            keys = [(line.artifact, line.spool_id) for line in arm.lines]
            if len(set(keys)) < len(keys):
                raise ValueError(f"{arm.name} lists an artifact twice from the same spool")
        return self


def wanted(arm: Arm, spool: Spool) -> Wanted:
    """An arm's conditions as the core compares them; the material is the spool's unless fixed."""
    return wanted_by(Conditions(**arm.conditions), spool)


def wanted_by(given: Conditions, spool: Spool) -> Wanted:
    conditions = given.model_dump(exclude={"temperatures"})
    if given.material is None:
        conditions["material"] = spool.material
    own = next((t for t in given.temperatures if t.material.casefold() == spool.material.casefold()), None)
    if own:
        conditions |= {"nozzle_c": own.nozzle_c, "bed_c": own.bed_c}
    return Wanted(**conditions)
