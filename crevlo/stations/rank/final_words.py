"""Final words by machine: likes, dislikes, fixes asked of the maker, upgrades, for whom, and whether one would buy it."""

import uuid
from collections import defaultdict
from enum import StrEnum

from pydantic import Field, model_validator
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.causes import points_to
from crevlo.core.evaluations import QUANTITIES
from crevlo.core.figure import Counted
from crevlo.stations.figures.source import CAUSED, sheet_of
from crevlo.stations.figures.study import StudyFigures, study_figures
from crevlo.stations.kit.change import change
from crevlo.stations.kit.clock import has_come
from crevlo.stations.kit.mark import UnitMark
from crevlo.stations.kit.shape import Currency, Day, Missing, Money, Refused, Shape, Version
from crevlo.stations.rank.criteria import CriterionGroup
from crevlo.stations.rank.ranking import RankView, StandingLine, WhatIf, view_rank
from crevlo.stations.study import get_study
from crevlo.store.verdict import FinalWord

_MOST = 200
# So many points must be lost before a fix is suggested, and so good must a figure be to be liked.
_LOST, _FLAWED, _LIKED = 1.0, 75.0, 85.0


class WordKind(StrEnum):
    LIKE = "like"
    DISLIKE = "dislike"
    FIX = "fix"
    MUST = "must"
    NICE = "nice"
    FOR = "for"
    NOT_FOR = "not for"
    BUY = "buy"


# As a report heads them.
HEADINGS: dict[WordKind, str] = {
    WordKind.LIKE: "Liked", WordKind.DISLIKE: "Disliked", WordKind.FIX: "Fixes asked of the maker",
    WordKind.MUST: "Upgrades one must buy", WordKind.NICE: "Upgrades one might buy", WordKind.FOR: "For whom",
    WordKind.NOT_FOR: "For whom not", WordKind.BUY: "Would we buy it",
}  # fmt: skip

_UPGRADES = (WordKind.MUST, WordKind.NICE)


class WordIn(Shape):
    """One thing said; an upgrade may have its price, with where and on which day it was read."""

    unit_id: uuid.UUID
    kind: WordKind
    words: str = Field(min_length=1, max_length=600)
    price: Money | None = None
    currency: Currency | None = None
    source: str = Field(default="", max_length=200)
    priced_on: Day | None = None

    @model_validator(mode="after")
    def _priced_with_source(self) -> "WordIn":
        if not self.words.strip():
            raise ValueError("say something")
        if self.price is not None and self.kind not in _UPGRADES:
            raise ValueError("only an upgrade has a price")
        if self.price is not None and (not self.source.strip() or self.priced_on is None):
            raise ValueError("a price has its source and its day")
        return self


class NewWord(WordIn):
    id: uuid.UUID


class ChangedWord(WordIn):
    version: Version


class FinalWordOut(Shape):
    id: uuid.UUID
    version: int
    kind: WordKind
    words: str
    price: float | None
    currency: str | None
    source: str
    priced_on: Day | None


class Suggestion(Shape):
    """What findings would say; a person takes it over and edits it."""

    kind: WordKind
    words: str
    points: float = Field(description="lost by it, of those that the buyer's weights give; 0 for a like")


class WordsOf(Shape):
    machine: UnitMark
    words: list[FinalWordOut]
    suggested: list[Suggestion] = Field(description="not said yet; fixes by points lost, most first")
    upgrades: float | None = Field(
        description="what the must-have upgrades cost together, where all are in the study's currency"
    )
    not_recommended: str


class FinalWords(Shape):
    machines: list[WordsOf]
    currency: str
    profile: str = Field(description="whose weights the points lost are by")


def view_words(session: Session, study_id: uuid.UUID, profile_id: uuid.UUID | None) -> FinalWords:
    inputs = study_figures(session, study_id)
    view = view_rank(session, study_id, WhatIf(profile_id=profile_id, show_gated=True))
    standings = {s.machine.unit_id: s for s in view.standings}
    said = _words(session, study_id)
    currency = inputs.bench.study.currency
    return FinalWords(
        machines=[
            WordsOf(
                machine=e.mark, words=said[e.key], upgrades=_upgrades(said[e.key], currency),
                suggested=_suggested(inputs, view, standings[e.key], said[e.key]) if e.key in standings else [],
                not_recommended=e.entry.not_recommended,
            )
            for e in inputs.entrants
        ],
        currency=currency, profile=view.profile.name,
    )  # fmt: skip


def said_of_units(session: Session, study_id: uuid.UUID) -> dict[uuid.UUID, list[tuple[str, list[str]]]]:
    """By unit its headings with what stands under each, an upgrade with its price, source and day."""
    found: dict[uuid.UUID, list[tuple[str, list[str]]]] = {}
    for unit, words in _words(session, study_id).items():
        found[unit] = [
            (heading, [_priced(w) for w in words if w.kind is kind])
            for kind, heading in HEADINGS.items()
            if any(w.kind is kind for w in words)
        ]
    return found


def _priced(word: FinalWordOut) -> str:
    if word.price is None:
        return word.words
    return f"{word.words.rstrip('.')}: {word.price:g} {word.currency}, {word.source}, {word.priced_on:%-d %B %Y}."


def _words(session: Session, study_id: uuid.UUID) -> dict[uuid.UUID, list[FinalWordOut]]:
    found: dict[uuid.UUID, list[FinalWordOut]] = defaultdict(list)
    rows = session.scalars(select(FinalWord).where(FinalWord.study_id == study_id).order_by(FinalWord.position))
    for row in rows:
        found[row.unit_id].append(FinalWordOut.model_validate(row, extra="ignore"))
    return found


def _upgrades(words: list[FinalWordOut], currency: str) -> float | None:
    priced = [w for w in words if w.kind is WordKind.MUST]
    if any(w.price is None or w.currency != currency for w in priced):
        return None
    return sum(w.price or 0.0 for w in priced)


def _suggested(inputs: StudyFigures, view: RankView, s: StandingLine, said: list[FinalWordOut]) -> list[Suggestion]:
    key = s.machine.unit_id
    figures = {q: inputs.figure(q, key) for q in CAUSED if inputs.has(q)}
    sheet = sheet_of(inputs.compared, inputs.entrant(key).entry)
    total = sum(c.weight for c in view.criteria)
    found = []
    for criterion, c in zip(view.criteria, s.contributions, strict=True):
        if c.points is None or c.value is None:
            continue
        lost = 100 * criterion.weight / total - c.points
        figure = inputs.figure(c.code, key)
        # Few tries that all came out ask for more tries, not for a fix; nor is a price one.
        spotless = isinstance(figure, Counted) and figure.good == figure.tries
        if lost >= _LOST and c.value < _FLAWED and not spotless and criterion.group is not CriterionGroup.MONEY:
            cause = points_to(c.code, figures, sheet)
            more = f" {cause}" if cause else ""
            found.append(
                Suggestion(kind=WordKind.FIX, words=f"{criterion.name}: {c.raw.words}.{more}", points=round(lost, 1))
            )
        elif c.value >= _LIKED and criterion.weight > 0:
            found.append(Suggestion(kind=WordKind.LIKE, words=f"{criterion.name}: {c.raw.words}.", points=0.0))
    for code in figures:
        if (cause := points_to(code, figures, sheet)) and code not in {c.code for c in view.criteria}:
            found.append(Suggestion(kind=WordKind.FIX, words=f"{QUANTITIES[code].name}: {cause}", points=0.0))
    # What a person has taken over, however they edited it since, begins with what it is about.
    taken = {(w.kind, w.words.split(":")[0]) for w in said}
    left = [x for x in found if (x.kind, x.words.split(":")[0]) not in taken]
    return sorted(left, key=lambda x: (x.kind is not WordKind.FIX, -x.points))


def add_word(session: Session, study_id: uuid.UUID, given: NewWord, person_id: uuid.UUID) -> None:
    study = get_study(session, study_id)
    if not any(u.unit_id == given.unit_id for u in study.units):
        raise Missing("This unit takes no part in the study.")
    count, last = session.execute(
        select(func.count(), func.max(FinalWord.position)).where(FinalWord.study_id == study_id)
    ).one()
    if count >= _MOST:
        raise Refused(f"{_MOST} final words are the most that a study takes.")
    session.add(
        FinalWord(
            id=given.id, study_id=study_id, person_id=person_id, position=1 + (last if last is not None else -1),
            **_fields(given, study.currency),
        )
    )  # fmt: skip
    session.flush()


def change_word(session: Session, study_id: uuid.UUID, word_id: uuid.UUID, given: ChangedWord) -> None:
    row = _word(session, study_id, word_id)
    if row.unit_id != given.unit_id:
        raise Refused("A word stays with its machine.")
    change(session, row, given.version, _fields(given, get_study(session, study_id).currency))


def remove_word(session: Session, study_id: uuid.UUID, word_id: uuid.UUID, version: int) -> None:
    row = _word(session, study_id, word_id)
    change(session, row, version, {"words": row.words})
    session.delete(row)
    session.flush()


def _fields(given: WordIn, currency: str) -> dict[str, object]:
    if given.priced_on is not None and not has_come(given.priced_on):
        raise Refused("A price is of a day that has come.")
    priced = given.price is not None
    return {
        "unit_id": given.unit_id, "kind": given.kind.value, "words": given.words.strip(), "price": given.price,
        "currency": (given.currency or currency) if priced else None, "source": given.source.strip() if priced else "",
        "priced_on": given.priced_on if priced else None,
    }  # fmt: skip


def _word(session: Session, study_id: uuid.UUID, word_id: uuid.UUID) -> FinalWord:
    row = session.get(FinalWord, word_id)
    if row is None or row.study_id != study_id:
        raise Missing("There is no such word in this study.")
    return row
