"""What holds while machines are hidden, and what is left of it afterwards."""

import uuid

from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.kit.shape import Refused
from crevlo.store.study import Study


def late_reason(session: Session, study_id: uuid.UUID, given: str | None, *, reviews: bool) -> str | None:
    """Why something is entered although the machines are known; None while they are hidden.

    After the reveal entries are closed, but for a reviewer who gives a reason: such an entry is marked, and left out of
    the figures made blind. Holds the reveal off until this transaction is through.
    """
    revealed = session.scalar(select(Study.revealed_at).where(Study.id == study_id).with_for_update(read=True))
    if revealed is None:
        return None
    if not reviews:
        raise Refused("The machines of this study are known by now, so readings and scores are closed.")
    if not (given or "").strip():
        raise Refused(
            "The machines of this study are known by now. Give a reason to enter this all the same: it is marked, and left "
            "out of the figures made blind."
        )
    return (given or "").strip()
