"""Duels: two specimens of one line side by side, blind. The pair that would tell most comes next; no machine is named."""

import uuid
from collections import Counter, defaultdict
from datetime import UTC, datetime
from typing import Literal

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.raters.duels import Abilities, Won, davidson, more_to_settle
from crevlo.stations.inspect.pieces import Piece, lines_of, mixed, names_of, pieces_of, ticket_of, was_shown
from crevlo.stations.judged import current_duels
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.limits import asked_too_often
from crevlo.stations.kit.photo import PhotoOut, photos_of
from crevlo.stations.kit.shape import Missing, Moment, Refused, Shape, TooMany
from crevlo.stations.study import LineKey, get_study
from crevlo.store.inspection import Duel
from crevlo.store.study import Study

MOST_NOT_SHOWN = 20
# Which pair of more parts tells most takes too long to work out at every answer.
MOST_WEIGHED = 12
Sells = Literal["both", "first", "second", "neither"]


class Side(Shape):
    id: uuid.UUID
    blind_code: str
    photos: list[PhotoOut]


class Pair(Shape):
    """Which is in the left hand and which in the right is shuffled."""

    first: Side
    second: Side
    ticket: str = Field(description="sent back with the answer: only a pair that was shown is compared")


class DuelLine(Shape):
    """What can be compared: pieces of one artifact from one spool, of several machines. Which spool is not told: it could
    name a machine."""

    number: int
    artifact: str
    lot: int = Field(description="of several spools of the same artifact; 0 where there is one")
    fought: int = Field(description="by everybody")
    ties: int
    mine: int
    words: str


class DuelView(Shape):
    now: datetime
    revealed: bool
    lines: list[DuelLine]
    number: int | None = Field(description="of the line that the pair is of")
    pair: Pair | None
    needs: str = Field(description="why there is no pair; empty where there is one")
    last: uuid.UUID | None = Field(description="this person's last duel of the line, which can be taken back")


class DuelQuery(Shape):
    line: int | None = Field(default=None, ge=1, le=10_000)


class NewDuel(Shape):
    id: uuid.UUID
    first_id: uuid.UUID
    second_id: uuid.UUID
    ticket: str = Field(default="", max_length=64)
    won: Won
    sells: Sells | None = Field(default=None, description="which of them could be sold")
    judged_at: Moment | None = None


def view_duels(session: Session, study_id: uuid.UUID, asked: DuelQuery, person_id: uuid.UUID) -> DuelView:
    """The lines that can be compared, and the next pair of the one asked for, or of the one least known."""
    study = get_study(session, study_id)
    pieces = pieces_of(session, study_id)
    order = lines_of(session, study, pieces)
    open_: dict[LineKey, list[Piece]] = {line: [p for p in pieces.values() if p.line == line] for line in order}
    duels = [d for d in current_duels(session, study_id) if d.first_id in pieces and d.second_id in pieces]
    fought: dict[LineKey, list[Duel]] = defaultdict(list)
    for duel in duels:
        fought[pieces[duel.first_id].line].append(duel)
    names = names_of(session, order)
    made = {line: _abilities(open_[line], fought[line]) for line in open_}
    lots = Counter(names[a] for a, _ in order)
    lines = [
        DuelLine(
            number=n, artifact=names[line[0]], fought=len(fought[line]), ties=sum(d.won is Won.TIE for d in fought[line]),
            lot=1 + sum(names[x[0]] == names[line[0]] for x in order[: n - 1]) if lots[names[line[0]]] > 1 else 0,
            mine=sum(d.person_id == person_id for d in fought[line]), words=_words(made[line], len(fought[line])),
        )
        for n, line in enumerate(order, 1)
    ]  # fmt: skip
    number = asked.line if asked.line is not None and asked.line <= len(order) else None
    if number is None and lines:
        number = min(lines, key=lambda x: x.fought).number
    pair, needs, last = None, "", None
    if study.revealed_at is not None:
        needs = "The machines of this study are known by now: nothing is compared blind any more."
    elif number is None:
        needs = "Comparing needs parts of the same test part and spool from two printers."
    else:
        key = order[number - 1]
        mine = [d for d in fought[key] if d.person_id == person_id]
        last = mine[-1].id if mine else None
        found = _next_pair(study, open_[key], mine, made[key], person_id)
        if found is None:
            needs = "You have compared every pair of this piece."
        else:
            photos = photos_of(session, [p.id for p in found])
            first, second = (Side(id=p.id, blind_code=p.code, photos=photos.get(p.id, [])) for p in found)
            pair = Pair(first=first, second=second, ticket=ticket_of(study, person_id, first.id, second.id))
    return DuelView(
        now=datetime.now(UTC), revealed=study.revealed_at is not None, lines=lines,
        number=number, pair=pair,
        needs=needs, last=last,
    )  # fmt: skip


def record_duel(session: Session, study_id: uuid.UUID, given: NewDuel, person_id: uuid.UUID) -> DuelView:
    """Keeps who was better of two pieces of one line. Each person compares a pair once."""
    study = session.scalars(select(Study).where(Study.id == study_id).with_for_update(read=True)).first()
    if study is None:
        raise Missing("There is no such study.")
    if study.revealed_at is not None:
        raise Refused("The machines of this study are known by now: nothing is compared blind any more.")
    # One answer to whatever was not shown: which of these pairs are of one printer stays hidden.
    if not was_shown(study, person_id, given.first_id, given.second_id, given.ticket):
        if asked_too_often(session, "pair not shown", str(person_id), most=MOST_NOT_SHOWN, minutes=60):
            raise TooMany("So many pairs were sent that were not shown to you; wait an hour.")
        raise Refused("Compare the pair that is shown.")
    pieces = pieces_of(session, study_id)
    first = pieces[given.first_id]
    both = {given.first_id, given.second_id}
    if any(d.person_id == person_id and {d.first_id, d.second_id} == both for d in current_duels(session, study_id)):
        raise Refused("You have compared these two already.")
    session.add(
        Duel(
            id=given.id, study_id=study_id, first_id=given.first_id, second_id=given.second_id, won=given.won,
            sells=given.sells, person_id=person_id, judged_at=stated_time(given.judged_at),
        )
    )  # fmt: skip
    session.flush()
    number = 1 + lines_of(session, study, pieces).index(first.line)
    return view_duels(session, study_id, DuelQuery(line=number), person_id)


def take_back(session: Session, duel_id: uuid.UUID, person_id: uuid.UUID, back_id: uuid.UUID) -> DuelView:
    """A newer row says that it no longer counts; what was said stays on record."""
    duel = session.get(Duel, duel_id)
    if duel is None or duel.person_id != person_id:
        raise Missing("There is no such duel of yours.")
    if get_study(session, duel.study_id).revealed_at is not None:
        raise Refused("The machines of this study are known by now: what was compared blind stays.")
    if duel.won is None or session.scalar(select(Duel.id).where(Duel.supersedes_id == duel.id)):
        raise Refused("This duel was taken back already.")
    session.add(
        Duel(
            id=back_id, study_id=duel.study_id, first_id=duel.first_id, second_id=duel.second_id, person_id=person_id,
            judged_at=datetime.now(UTC), supersedes_id=duel.id,
        )
    )  # fmt: skip
    session.flush()
    pieces = pieces_of(session, duel.study_id)
    number = 1 + lines_of(session, get_study(session, duel.study_id), pieces).index(pieces[duel.first_id].line)
    return view_duels(session, duel.study_id, DuelQuery(line=number), person_id)


def _abilities(pieces: list[Piece], duels: list[Duel]) -> Abilities | None:
    """Of the parts, not of their printers: what is shown next must not hang on whose they are. None of too many parts."""
    results = [(d.first_id.hex, d.second_id.hex, d.won) for d in duels if d.won is not None]
    if not results or len(pieces) > MOST_WEIGHED:
        return None
    return davidson(results, among=sorted(p.id.hex for p in pieces))


def _words(made: Abilities | None, fought: int) -> str:
    """How far the first place of a line is from settled; names nobody."""
    if not fought:
        return "Nothing compared yet."
    if made is None:
        return f"{fought} {'pair' if fought == 1 else 'pairs'} compared."
    more = more_to_settle(made)
    if more == 0:
        return "The best of these parts is settled: more pairs tell little."
    if more is None:
        return "The best of these parts are so near that more pairs may never part them."
    return f"About {more} more {'pair' if more == 1 else 'pairs'} would settle which of these parts is best."


def _next_pair(
    study: Study, pieces: list[Piece], mine: list[Duel], made: Abilities | None, person_id: uuid.UUID
) -> tuple[Piece, Piece] | None:
    """Of the pairs that this person has not compared the one that tells most, parts least seen first; sides shuffled.

    Two parts of one printer are a pair like any other: were they left out, what is never shown would tell whose they are.
    """
    done = {frozenset((d.first_id, d.second_id)) for d in mine}
    seen = Counter(x for d in mine for x in (d.first_id, d.second_id))
    wanted = frozenset(made.next) if made and made.next else None

    def order(a: Piece, b: Piece) -> tuple[bool, int, str]:
        return (
            frozenset((a.id.hex, b.id.hex)) != wanted,
            seen[a.id] + seen[b.id],
            mixed(study, *sorted((a.code, b.code))),
        )

    pairs = [(a, b) for k, a in enumerate(pieces) for b in pieces[k + 1 :] if frozenset((a.id, b.id)) not in done]
    if not pairs:
        return None
    a, b = min(pairs, key=lambda p: order(*p))
    left = mixed(study, person_id, *sorted((a.code, b.code))) < "8"
    return (a, b) if left == (a.code < b.code) else (b, a)
