"""Ballots: an audience says on a public page which of two photos shows the better piece. Apart from the raters; blind."""

import hashlib
import secrets
import uuid
from collections import defaultdict
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from crevlo.core.raters.duels import Won, davidson
from crevlo.stations.inspect.pieces import Piece, lines_of, names_of, pieces_of, ticket_of, was_shown
from crevlo.stations.kit.limits import asked_too_often, caller_of
from crevlo.stations.kit.photo import photo_content, photos_of
from crevlo.stations.kit.picture import alike
from crevlo.stations.kit.shape import Missing, Moment, Refused, Shape, TooMany
from crevlo.stations.kit.upload import keep_upload, upload_content
from crevlo.stations.study import get_study
from crevlo.store.inspection import Ballot, BallotPiece, Vote
from crevlo.store.machine import Model, Unit
from crevlo.store.study import Study

QUESTION = "Which of these two would you rather have made?"
MOST_PIECES, MOST_BALLOTS, MOST_VOTES, LONGEST_DAYS = 12, 20, 50_000, 60
# From one address: a household or an office may vote, a program soon waits.
MOST_NOT_SHOWN = 100
MOST_AT_ONCE, AT_ONCE = 80, timedelta(minutes=10)


class BallotLine(Shape):
    """Pieces that an audience could compare: of one artifact and spool, from several machines, with photos."""

    number: int
    artifact: str
    photographed: int
    needs: str = Field(description="why it cannot be asked yet; empty where it can")


class Standing(Shape):
    """One piece, or after the reveal one machine, by the votes: log-ability about 0, and its 95 % half-width."""

    name: str
    ability: float
    expanded: float


class BallotOut(Shape):
    id: uuid.UUID
    version: int
    key: str
    question: str
    artifact: str
    pieces: int
    opened_at: datetime
    closes_at: datetime
    closed_at: datetime | None
    open: bool
    votes: int
    voters: int
    ties: int
    standing: list[Standing] = Field(description="the best first; empty before a vote")
    words: str


class BallotList(Shape):
    ballots: list[BallotOut]
    lines: list[BallotLine]
    question: str


class NewBallot(Shape):
    id: uuid.UUID
    line: int = Field(ge=1, le=10_000)
    question: str = Field(default=QUESTION, min_length=5, max_length=200)
    closes_at: Moment


class PublicSide(Shape):
    blind_code: str
    picture: str


class PublicBallot(Shape):
    """All that the audience is shown."""

    question: str
    open: bool
    closes_at: datetime
    said: int = Field(description="pairs that this browser has compared")
    pairs: int
    first: PublicSide | None
    second: PublicSide | None
    ticket: str = Field(description="sent back with the vote: only a pair that was shown is voted on")


class NewVote(Shape):
    id: uuid.UUID
    first: str = Field(min_length=1, max_length=12)
    second: str = Field(min_length=1, max_length=12)
    ticket: str = Field(default="", max_length=64)
    won: Won


@dataclass(frozen=True, slots=True)
class _Shown:
    row: BallotPiece
    code: str
    unit_id: uuid.UUID


def view_ballots(session: Session, study_id: uuid.UUID) -> BallotList:
    study = get_study(session, study_id)
    pieces = pieces_of(session, study_id)
    rows = session.scalars(select(Ballot).where(Ballot.study_id == study_id).order_by(Ballot.opened_at.desc()))
    return BallotList(
        ballots=[_out(session, study, b, pieces) for b in rows], lines=_lines(session, study, pieces), question=QUESTION
    )  # fmt: skip


def open_ballot(session: Session, study_id: uuid.UUID, given: NewBallot, person_id: uuid.UUID) -> BallotList:
    """Of each specimen of the line its latest photo, made anew in one size for all."""
    study = get_study(session, study_id)
    if study.revealed_at is not None:
        raise Refused("The machines of this study are known by now: nothing is compared blind any more.")
    now = datetime.now(UTC)
    if not now < given.closes_at <= now + timedelta(days=LONGEST_DAYS):
        raise Refused(f"A ballot closes in the future, within {LONGEST_DAYS} days.")
    if session.scalar(select(func.count()).where(Ballot.study_id == study_id)) == MOST_BALLOTS:
        raise Refused(f"A study has {MOST_BALLOTS} ballots at most.")
    pieces = pieces_of(session, study_id)
    order = lines_of(session, study, pieces)
    if given.line > len(order):
        raise Missing("There is no such line in this study.")
    line = _lines(session, study, pieces)[given.line - 1]
    if line.needs:
        raise Refused(line.needs)
    session.add(
        Ballot(
            id=given.id, study_id=study_id, key=secrets.token_urlsafe(12), question=given.question.strip(), opened_at=now,
            closes_at=given.closes_at, closed_at=None, person_id=person_id,
        )
    )  # fmt: skip
    session.flush()
    of = [p for p in pieces.values() if p.line == order[given.line - 1]]
    photos = photos_of(session, [p.id for p in of])
    shown = [p for p in of if photos.get(p.id)]
    for piece in sorted(shown, key=lambda p: p.code)[:MOST_PIECES]:
        picture = alike(photo_content(session, photos[piece.id][-1].id))
        session.add(
            BallotPiece(
                id=uuid.uuid4(), ballot_id=given.id, specimen_id=piece.id, sha256=keep_upload(session, picture)
            )
        )
    session.flush()
    return view_ballots(session, study_id)


def close_ballot(session: Session, ballot_id: uuid.UUID) -> BallotList:
    ballot = session.get(Ballot, ballot_id, with_for_update=True)
    if ballot is None:
        raise Missing("There is no such ballot.")
    if ballot.closed_at is None:
        ballot.closed_at = datetime.now(UTC)
        session.flush()
    return view_ballots(session, ballot.study_id)


def public(session: Session, key: str, voter: str) -> PublicBallot:
    """The next pair for this browser, in an order and on sides of its own."""
    ballot, study = _by_key(session, key)
    shown = _shown(session, ballot)
    pairs = _pairs(list(shown.values()))
    mine = set(
        session.execute(
            select(Vote.first_id, Vote.second_id).where(
                Vote.ballot_id == ballot.id, Vote.voter == _digest(ballot, voter)
            )
        ).tuples()
    )
    due = sorted(
        (p for p in pairs if (p[0].row.id, p[1].row.id) not in mine),
        key=lambda p: _digest(ballot, voter, p[0].code, p[1].code),
    )
    open_ = _open(ballot, study)
    first = second = None
    if open_ and due:
        a, b = due[0]
        if _digest(ballot, voter, "side", a.code, b.code) < "8":
            a, b = b, a
        first, second = (
            PublicSide(blind_code=x.code, picture=f"/api/ballots/{key}/pictures/{x.code}") for x in (a, b)
        )
    return PublicBallot(
        question=ballot.question, open=open_, closes_at=ballot.closes_at, said=len(mine), pairs=len(pairs), first=first, second=second,
        ticket=ticket_of(study, _digest(ballot, voter), first.blind_code, second.blind_code) if first and second else "",
    )  # fmt: skip


def vote(session: Session, key: str, given: NewVote, voter: str, address: str) -> PublicBallot:
    """One say of a browser on a pair; said again it changes nothing. Raises TooMany."""
    ballot, study = _by_key(session, key)
    if not _open(ballot, study):
        raise Refused("This ballot is closed.")
    address = caller_of(address)
    # One answer to whatever was not shown, whose parts they are.
    if not was_shown(study, _digest(ballot, voter), given.first, given.second, given.ticket):
        if asked_too_often(session, "pair not shown", address, most=MOST_NOT_SHOWN, minutes=60):
            raise TooMany("So many pairs were sent from your address that were not shown; wait an hour.")
        raise Missing("Vote on the pair that is shown.")
    shown = _shown(session, ballot)
    first, second = shown[given.first], shown[given.second]
    at, since = _digest(ballot, "address", address), datetime.now(UTC) - AT_ONCE
    lately = select(func.count()).where(Vote.ballot_id == ballot.id, Vote.address == at, Vote.cast_at > since)
    if (session.scalar(lately) or 0) >= MOST_AT_ONCE:
        raise TooMany("So many votes came from your address lately; try again in ten minutes.")
    if (session.scalar(select(func.count()).where(Vote.ballot_id == ballot.id)) or 0) >= MOST_VOTES:
        raise Refused("This ballot has as many votes as it takes.")
    won = given.won
    if first.row.id > second.row.id:
        first, second = second, first
        won = {Won.FIRST: Won.SECOND, Won.SECOND: Won.FIRST, Won.TIE: Won.TIE}[won]
    # Said again, or at the same moment from two tabs, it counts once.
    session.execute(
        insert(Vote)
        .values(
            id=given.id, ballot_id=ballot.id, first_id=first.row.id, second_id=second.row.id, won=won, voter=_digest(ballot, voter),
            address=at,
        )
        .on_conflict_do_nothing()
    )  # fmt: skip
    return public(session, key, voter)


def picture(session: Session, key: str, code: str) -> bytes:
    ballot, _ = _by_key(session, key)
    shown = _shown(session, ballot).get(code)
    if shown is None:
        raise Missing("There is no such picture.")
    return b"".join(upload_content(session, shown.row.sha256).chunks())


def _lines(session: Session, study: Study, pieces: dict[uuid.UUID, Piece]) -> list[BallotLine]:
    order = lines_of(session, study, pieces)
    names = names_of(session, order)
    photos = photos_of(session, list(pieces))
    found = []
    for number, line in enumerate(order, 1):
        of = [p for p in pieces.values() if p.line == line and photos.get(p.id)]
        needs = (
            ""
            if len({p.unit_id for p in of}) > 1
            else "Photograph a piece of two machines first, alike and with nothing that names one."
        )
        found.append(BallotLine(number=number, artifact=names[line[0]], photographed=len(of), needs=needs))
    return found


def _by_key(session: Session, key: str) -> tuple[Ballot, Study]:
    ballot = session.scalar(select(Ballot).where(Ballot.key == key))
    if ballot is None:
        raise Missing("There is no such ballot.")
    return ballot, get_study(session, ballot.study_id)


def _open(ballot: Ballot, study: Study) -> bool:
    """Once machines are known nothing is compared blind any more."""
    return ballot.closed_at is None and datetime.now(UTC) < ballot.closes_at and study.revealed_at is None


def _shown(session: Session, ballot: Ballot) -> dict[str, _Shown]:
    """By blind code."""
    pieces = pieces_of(session, ballot.study_id)
    rows = session.scalars(select(BallotPiece).where(BallotPiece.ballot_id == ballot.id))
    found = [_Shown(r, pieces[r.specimen_id].code, pieces[r.specimen_id].unit_id) for r in rows]
    return {x.code: x for x in sorted(found, key=lambda x: x.code)}


def _pairs(shown: list[_Shown]) -> list[tuple[_Shown, _Shown]]:
    """All there are, the lower id first: a pair that is never shown would be known to be of one printer."""
    return [(a, b) if a.row.id < b.row.id else (b, a) for k, a in enumerate(shown) for b in shown[k + 1 :]]


def _digest(ballot: Ballot, *of: str) -> str:
    return hashlib.sha256(" ".join((ballot.key, str(ballot.id), *of)).encode()).hexdigest()[:40]


def _out(session: Session, study: Study, ballot: Ballot, pieces: dict[uuid.UUID, Piece]) -> BallotOut:
    shown = {x.row.id: x for x in _shown(session, ballot).values()}
    known = study.revealed_at is not None
    named = _machines(session) if known else {}
    label = {i: named[x.unit_id] if known else x.code for i, x in shown.items()}
    counted: dict[tuple[str, str, Won], int] = defaultdict(int)
    for first, second, won, number in session.execute(
        select(Vote.first_id, Vote.second_id, Vote.won, func.count()).where(Vote.ballot_id == ballot.id)
        .group_by(Vote.first_id, Vote.second_id, Vote.won)
    ):  # fmt: skip
        counted[label[first], label[second], won] += number
    votes = sum(counted.values())
    voters = session.scalar(select(func.count(Vote.voter.distinct())).where(Vote.ballot_id == ballot.id)) or 0
    standing: list[Standing] = []
    if any(first != second for first, second, _ in counted):
        made = davidson(
            [of for of, number in counted.items() if of[0] != of[1] for _ in range(number)],
            among=sorted(set(label.values())),
        )
        standing = sorted(
            (Standing(name=n, ability=made.ability[n], expanded=1.96 * made.u[n]) for n in made.ability),
            key=lambda s: -s.ability,
        )
    line = next(iter(shown.values()), None)
    artifact = names_of(session, [pieces[line.row.specimen_id].line]) if line else {}
    return BallotOut(
        id=ballot.id, version=ballot.version, key=ballot.key, question=ballot.question, artifact=next(iter(artifact.values()), ""),
        pieces=len(shown), opened_at=ballot.opened_at, closes_at=ballot.closes_at, closed_at=ballot.closed_at,
        open=_open(ballot, study), votes=votes, voters=voters, ties=sum(n for (*_, won), n in counted.items() if won is Won.TIE),
        standing=standing, words=_words(standing, votes, voters),
    )  # fmt: skip


def _machines(session: Session) -> dict[uuid.UUID, str]:
    rows = session.execute(select(Unit.id, Model.name).join(Model, Model.id == Unit.model_id))
    return dict(rows.tuples().all())


def _words(standing: list[Standing], votes: int, voters: int) -> str:
    if not votes:
        return "No vote yet."
    counted = f"{votes} {'vote' if votes == 1 else 'votes'} from {voters} {'browser' if voters == 1 else 'browsers'}"
    if len(standing) < 2:
        return f"{counted}."
    first, second = standing[:2]
    apart = first.ability - second.ability > (first.expanded**2 + second.expanded**2) ** 0.5
    return f"{counted}: {first.name} is liked best." if apart else f"{counted}: the first two are not told apart."
