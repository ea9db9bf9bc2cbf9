"""What every new study ranks by until its people say more: the usual criteria alike, one buyer, nothing unsafe."""

import uuid

from sqlalchemy.orm import Session

from crevlo.core.ranking.gate import GateKind
from crevlo.core.ranking.value import Shape as ValueShape
from crevlo.stations.rank.criteria import BY_CODE, USUAL
from crevlo.store.study import BuyerProfile, CriterionRow, GateRow, SchemeVersion


def begin_scheme(session: Session, study_id: uuid.UUID, person_id: uuid.UUID) -> None:
    scheme = SchemeVersion(study_id=study_id, number=1, person_id=person_id)
    scheme.criteria = [
        CriterionRow(
            position=at, code=code, weight=100 / len(USUAL), shape=ValueShape.LINEAR,
            points=[[BY_CODE[code].worst, 0], [BY_CODE[code].best, 100]],
        )
        for at, code in enumerate(USUAL)
    ]  # fmt: skip
    buyer = BuyerProfile(study_id=study_id, name="Any buyer", position=0, weights={})
    buyer.gates = must_be_safe()
    session.add_all([scheme, buyer])


def must_be_safe() -> list[GateRow]:
    return [GateRow(kind=GateKind.SAFETY, limit=0)]
