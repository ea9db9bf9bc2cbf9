"""What a study looks for beside the built-in faults, and its duels as they count."""

import uuid

from sqlalchemy import select
from sqlalchemy.orm import Session, aliased

from crevlo.core.defects import Defect
from crevlo.store.inspection import Duel, OwnDefect


def own_defects(session: Session, study_id: uuid.UUID) -> tuple[Defect, ...]:
    rows = session.scalars(select(OwnDefect).where(OwnDefect.study_id == study_id).order_by(OwnDefect.added_at))
    return tuple(
        Defect(r.code, r.name, r.weight, r.structural, r.look, (r.anchors[0], r.anchors[1], r.anchors[2], r.anchors[3], r.anchors[4], r.anchors[5]))
        for r in rows
    )  # fmt: skip


def current_duels(session: Session, study_id: uuid.UUID) -> list[Duel]:
    """Those that were not taken back, in the order they were judged."""
    newer = aliased(Duel)
    query = select(Duel).outerjoin(newer, newer.supersedes_id == Duel.id).where(Duel.study_id == study_id)
    return list(session.scalars(query.where(newer.id.is_(None), Duel.won.is_not(None)).order_by(Duel.judged_at)))
