"""What every new study ranks by until its people say more: all criteria alike, one buyer, nothing unsafe."""

import uuid

from sqlalchemy.orm import Session

from crevlo.core.scoring.gate import GateKind
from crevlo.core.scoring.value import Shape as ValueShape
from crevlo.stations.rank.criteria import CRITERIA
from crevlo.store.study import BuyerProfile, CriterionRow, GateRow, SchemeVersion


def begin_scheme(session: Session, study_id: uuid.UUID, person_id: uuid.UUID) -> None:
    scheme = SchemeVersion(study_id=study_id, number=1, person_id=person_id)
    scheme.criteria = [
        CriterionRow(
            position=at, code=c.code, weight=100 / len(CRITERIA), shape=ValueShape.LINEAR, worst=c.worst, best=c.best
        )
        for at, c in enumerate(CRITERIA)
    ]
    buyer = BuyerProfile(study_id=study_id, name="Any buyer", position=0, weights={})
    buyer.gates = must_be_safe()
    session.add_all([scheme, buyer])


def must_be_safe() -> list[GateRow]:
    return [GateRow(kind=GateKind.SAFETY, limit=0)]
