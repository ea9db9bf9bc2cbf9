"""Pieces that can be compared side by side, in orders that tell nothing about who made them."""

import hashlib
import hmac
import uuid
from collections import defaultdict
from dataclasses import dataclass

from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.study import LineKey
from crevlo.store.machine import ArtifactVersion
from crevlo.store.run import Run, Specimen
from crevlo.store.study import Job, Study


@dataclass(frozen=True)
class Piece:
    id: uuid.UUID
    code: str
    unit_id: uuid.UUID
    line: LineKey


def pieces_of(session: Session, study_id: uuid.UUID) -> dict[uuid.UUID, Piece]:
    rows = session.execute(
        select(Specimen.id, Specimen.blind_code, Job.unit_id, Job.artifact_id, Job.spool_id)
        .join(Run, Run.id == Specimen.run_id).join(Job, Job.id == Run.job_id).where(Specimen.study_id == study_id)
        .order_by(Specimen.position, Specimen.blind_code)
    )  # fmt: skip
    return {r.id: Piece(r.id, r.blind_code, r.unit_id, (r.artifact_id, r.spool_id)) for r in rows}


def lines_of(session: Session, study: Study, pieces: dict[uuid.UUID, Piece]) -> list[LineKey]:
    """Lines of which several machines have pieces, by the artifact's name; those of one name in an order that tells nothing."""
    units: dict[LineKey, set[uuid.UUID]] = defaultdict(set)
    for piece in pieces.values():
        units[piece.line].add(piece.unit_id)
    open_ = [line for line, of in units.items() if len(of) > 1]
    names = names_of(session, open_)
    return sorted(open_, key=lambda line: (names[line[0]], mixed(study, line[0], line[1])))


def names_of(session: Session, lines: list[LineKey]) -> dict[uuid.UUID, str]:
    wanted = {artifact for artifact, _ in lines}
    rows = session.execute(select(ArtifactVersion.id, ArtifactVersion.name).where(ArtifactVersion.id.in_(wanted)))
    return dict(rows.tuples().all())


def mixed(study: Study, *of: object) -> str:
    """A place in an order that follows from the study's secret alone."""
    return hashlib.sha256(" ".join(map(str, (study.blind_secret, *of))).encode()).hexdigest()


def ticket_of(study: Study, shown_to: object, first: object, second: object) -> str:
    """What a pair is shown with: only with it is an answer taken, so that asking about a pair of one's own tells nothing."""
    pair = " ".join(sorted((str(first), str(second))))
    return hmac.new(study.blind_secret.encode(), f"pair {shown_to} {pair}".encode(), hashlib.sha256).hexdigest()[:32]


def was_shown(study: Study, shown_to: object, first: object, second: object, ticket: str) -> bool:
    """Takes as long for any pair, and looks up none."""
    return hmac.compare_digest(ticket_of(study, shown_to, first, second), ticket)
