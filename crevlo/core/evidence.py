"""Plain rows that rules work on: what was measured, judged, printed and paid. Machines are only keys here."""

from collections import defaultdict
from collections.abc import Hashable, Mapping, Sequence
from dataclasses import dataclass, field

from crevlo.core.defects import Defect
from crevlo.core.estimate import NotDetermined
from crevlo.core.features.feature import Feature
from crevlo.core.features.kind import Judged
from crevlo.core.noise import NoiseState
from crevlo.core.raters.duels import Won
from crevlo.core.success import Cause, Outcome

Key = Hashable
# What a stated repeatability is worth: as much as that many readings more.
STATED_DOF = 10.0


@dataclass(frozen=True, slots=True)
class Instrument:
    """What a reading was taken with; all in the instrument's own unit.

    `repeatability_dof` is what the repeatability is worth: 10 for a stated one (STATED_DOF), that of its gauge study for a
    studied one. `hands` names who reads, where a gauge study found that people differ by `u_hands`.
    """

    code: str
    kind: str
    resolution: float
    u_calibration: float
    repeatability: float
    repeatability_dof: float = STATED_DOF
    hands: str = ""
    u_hands: float = 0.0


@dataclass(frozen=True, slots=True)
class Reading:
    """One value of a feature in the feature's unit, of one where it was taken `over` several; None where it could not be
    measured, or there are none. `kelvin`: how far the part was from 20 °C, which was not corrected."""

    feature: str
    value: float | None
    instrument: Key
    kelvin: float = 0.0
    over: int = 1


@dataclass(frozen=True, slots=True)
class Judgement:
    """What one person said of a feature, or of the whole specimen where `feature` is empty."""

    feature: str
    said: Judged
    rater: Key


@dataclass(frozen=True, slots=True)
class Specimen:
    """One print in the hand: its features by code, readings and judgements that count, severities by locked rater; `own_defects` are those of the study."""

    features: Mapping[str, Feature]
    readings: tuple[Reading, ...] = ()
    judgements: tuple[Judgement, ...] = ()
    severities: Mapping[Key, Mapping[str, int]] = field(default_factory=dict)
    own_defects: tuple[Defect, ...] = ()
    _hash: int | None = field(default=None, init=False, repr=False, compare=False)

    def __hash__(self) -> int:
        if self._hash is None:
            object.__setattr__(self, "_hash", hash((tuple(self.features), self.readings, self.judgements)))
        return self._hash or 0


@dataclass(frozen=True, slots=True)
class Level:
    """One noise reading in dB at `distance_m`, and what the machine did meanwhile."""

    state: NoiseState
    level_db: float
    background_db: float | None
    distance_m: float
    door_shut: bool
    fan_percent: float | None
    meter: Key | None


@dataclass(frozen=True, slots=True)
class Run:
    """One try at a plate of `parts` parts. `cause` where it failed or was rejected afterwards; `u_kwh` where gaps of its trace
    leave doubt."""

    line: Key
    job: Key
    outcome: Outcome
    hours: float
    cause: Cause | None = None
    rejected: bool = False
    configuration: Key = None
    stated_s: float | None = None
    kwh: float | None = None
    u_kwh: float = 0.0
    meter: Key | None = None
    levels: tuple[Level, ...] = ()
    specimen: Specimen | None = None
    parts: int = 1

    @property
    def came_out(self) -> bool:
        """Ended by itself; a print may still be rejected afterwards."""
        return self.outcome is Outcome.DONE


@dataclass(frozen=True, slots=True)
class Unit:
    """What belongs to one machine whatever it prints: money in the study's currency, handling in s, features present;
    `upkeep_per_h` where its own log says it, else that of the basis counts."""

    paid: float | NotDetermined = field(default_factory=lambda: NotDetermined("the price paid, at Receive"))
    upgrades: float = 0.0
    residual: float = 0.0
    upkeep_per_h: float | None = None
    setup_first_s: tuple[float, ...] = ()
    setup_next_s: tuple[float, ...] = ()
    warm_up_s: tuple[float, ...] = ()
    worth_base: float | NotDetermined = 0.0
    worth_present: tuple[float, ...] | NotDetermined = ()
    said: Mapping[str, tuple[int, ...]] = field(default_factory=dict)
    """By rubric what people gave it."""
    sheet: Mapping[str, float] = field(default_factory=dict)
    """By line of its maker's sheet, and the price of the day."""


@dataclass(frozen=True, slots=True)
class Filament:
    """What a plate of `parts` parts takes by its sliced files: g of a part, g of the plate's waste (purge, tower, flush), what
    all of it costs in the study's currency, its changes of tool and the s that one takes."""

    parts: float
    part_g: float
    waste_g: float
    money: float | NotDetermined
    changes: float = 0.0
    change_s: float = 0.0

    @property
    def grams(self) -> float:
        """g of the whole plate."""
        return self.parts * self.part_g + self.waste_g


@dataclass(frozen=True, slots=True)
class Machine:
    """All of one machine, tries in order; `main` is the configuration that its figures are of."""

    runs: tuple[Run, ...] = ()
    main: Key = None
    idle: tuple[Level, ...] = ()
    unit: Unit = field(default_factory=Unit)
    filament: Mapping[Key, Filament] = field(default_factory=dict)
    """By line, mean over its sliced files."""
    _good: tuple[Run, ...] | None = field(default=None, init=False, repr=False, compare=False)
    _good_of: Mapping[Key, Sequence[Run]] | None = field(default=None, init=False, repr=False, compare=False)

    @property
    def good(self) -> tuple[Run, ...]:
        """Prints that came out, in the main configuration: what a machine is before and after a change is not one machine."""
        if self._good is None:
            found = tuple(run for run in self.runs if run.came_out and run.configuration == self.main)
            object.__setattr__(self, "_good", found)
            return found
        return self._good

    @property
    def good_of(self) -> Mapping[Key, Sequence[Run]]:
        """The same by line."""
        if self._good_of is None:
            found: dict[Key, list[Run]] = defaultdict(list)
            for run in self.good:
                found[run.line].append(run)
            object.__setattr__(self, "_good_of", dict(found))
            return found
        return self._good_of


@dataclass(frozen=True, slots=True)
class Basis:
    """What an hour, a kWh and a failed plate cost, in the study's currency."""

    tariff_per_kwh: float
    wage_per_h: float
    labour_min: float
    failed_labour_min: float
    loss_fraction: float
    life_h: float
    upkeep_per_h: float
    prints_month: float | None = None
    """Of one buyer: the price is then spread over the hours that it prints in three years, at most its life."""


@dataclass(frozen=True, slots=True)
class LineOf:
    """What is printed: its name in words and its features by code."""

    name: str
    features: Mapping[str, Feature]


@dataclass(frozen=True, slots=True)
class Duel:
    """Two pieces of one line side by side, of which machines they were, and which was better."""

    line: Key
    first: Key
    second: Key
    won: Won


@dataclass(frozen=True, slots=True)
class Evidence:
    """A study as its rules see it: comparable prints only. `counted`: causes that count against a machine."""

    machines: Mapping[Key, Machine]
    lines: Mapping[Key, LineOf]
    instruments: Mapping[Key, Instrument]
    basis: Basis
    counted: frozenset[Cause]
    duels: tuple[Duel, ...] = ()
    withheld: bool = False
    """Nothing that was read, judged or compared of hidden parts is in it."""
