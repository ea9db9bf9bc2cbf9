"""What people gave machines by rubrics, as it counts now."""

import uuid
from collections import defaultdict

from sqlalchemy import select
from sqlalchemy.orm import Session, aliased

from crevlo.store.verdict import RubricScore


def current_rubric_scores(session: Session, study_id: uuid.UUID) -> list[RubricScore]:
    """Corrections applied, in the order in which they were given."""
    newer = aliased(RubricScore)
    return list(
        session.scalars(
            select(RubricScore).outerjoin(newer, newer.supersedes_id == RubricScore.id)
            .where(RubricScore.study_id == study_id, newer.id.is_(None)).order_by(RubricScore.recorded_at)
        )
    )  # fmt: skip


def said_of(session: Session, study_id: uuid.UUID) -> dict[uuid.UUID, dict[str, tuple[int, ...]]]:
    """By unit and rubric, one score of each person."""
    found: dict[uuid.UUID, dict[str, tuple[int, ...]]] = defaultdict(dict)
    for row in current_rubric_scores(session, study_id):
        found[row.unit_id][row.rubric] = (*found[row.unit_id].get(row.rubric, ()), row.score)
    return found
