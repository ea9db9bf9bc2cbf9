"""Templates: protocols to start from, five that ship and those people saved."""

import uuid

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.stations.kit.shape import Missing, Name, Refused, Shape
from crevlo.stations.plan.exchange import DraftRead, FileArm, FileLine, ProtocolFile, named_arms, read_protocol
from crevlo.stations.protocol import ArmIn, Policies
from crevlo.store.study import ProtocolTemplate


def _prints(*copies: tuple[str, int]) -> list[FileLine]:
    return [FileLine(artifact=code, copies=n) for code, n in copies]


def _one_arm(*copies: tuple[str, int]) -> ProtocolFile:
    return ProtocolFile(arms=[FileArm(name="Stock", lines=_prints(*copies))])


_SHIPPED: dict[str, tuple[str, str, ProtocolFile]] = {
    "quick": (
        "Quick look", "Two days for a handful of machines: size, ooze, one household part.",
        _one_arm(("SB", 3), ("OP", 1), ("RA", 1)),
    ),
    "full": (
        "Full bench", "Everything on the shelf that one tool can print, three of what is measured.",
        _one_arm(
            ("SB", 3), ("SF", 2), ("CC", 2), ("PF", 2), ("OF", 2), ("BL", 2), ("OP", 2), ("RW", 2), ("FS", 1), ("ZC", 1),
            ("FL", 2), ("WB", 3), ("OB", 3), ("LW", 2), ("SL", 2), ("RA", 2),
        ),
    ),
    "mechanical": (
        "Mechanical only", "Axes, squareness, ringing, banding and the plate: little that the material decides.",
        _one_arm(("SB", 3), ("SF", 3), ("RW", 3), ("ZC", 2), ("FS", 2), ("OB", 3)),
    ),
    "colour": (
        "Colour", "Machines with two tools: what a change costs and how clean it comes out.",
        _one_arm(("CS", 3), ("OP", 2), ("SB", 2)),
    ),
    "materials": (
        "Materials", "Warp, fit, bridges and overhangs; add a second spool to each line.",
        _one_arm(("WB", 3), ("SL", 2), ("BL", 2), ("OF", 2), ("SB", 3)),
    ),
}  # fmt: skip


class TemplateCard(Shape):
    key: str
    name: str
    about: str
    prints: int = Field(description="on each machine that can print all of it")
    own: bool


class Templates(Shape):
    templates: list[TemplateCard]


class NewTemplate(Shape):
    id: uuid.UUID
    name: Name = Field(min_length=1, max_length=80)
    about: str = Field(default="", max_length=200)
    repeats: int = Field(ge=1, le=10)
    policies: Policies
    arms: list[ArmIn] = Field(min_length=1, max_length=4)


def list_templates(session: Session) -> Templates:
    shipped = [_card(key, name, about, file, own=False) for key, (name, about, file) in _SHIPPED.items()]
    rows = session.scalars(select(ProtocolTemplate).order_by(ProtocolTemplate.name))
    saved = [_card(str(r.id), r.name, r.about, ProtocolFile(**r.content), own=True) for r in rows]
    return Templates(templates=shipped + saved)


def read_template(session: Session, key: str) -> DraftRead:
    """The template as a draft to go on from; spools and machines are the person's to choose."""
    if key in _SHIPPED:
        return read_protocol(session, _SHIPPED[key][2])
    return read_protocol(session, ProtocolFile(**_saved(session, key).content))


def save_template(session: Session, given: NewTemplate, person_id: uuid.UUID) -> Templates:
    names = [name.lower() for name, _, _ in _SHIPPED.values()]
    taken = session.scalar(select(func.count()).where(func.lower(ProtocolTemplate.name) == given.name.lower()))
    if taken or given.name.lower() in names:
        raise Refused(f"There is already a template called {given.name}.")
    file = ProtocolFile(repeats=given.repeats, policies=given.policies, arms=named_arms(session, given.arms))
    session.add(
        ProtocolTemplate(
            id=given.id, name=given.name, about=given.about, content=file.model_dump(mode="json"), person_id=person_id
        )
    )
    session.flush()
    return list_templates(session)


def drop_template(session: Session, key: str) -> Templates:
    """Takes a saved template away; studies made from it stay as they are."""
    session.delete(_saved(session, key))
    session.flush()
    return list_templates(session)


def _saved(session: Session, key: str) -> ProtocolTemplate:
    try:
        row = session.get(ProtocolTemplate, uuid.UUID(key))
    except ValueError:
        row = None
    if row is None:
        raise Missing("There is no such template.")
    return row


def _card(key: str, name: str, about: str, file: ProtocolFile, *, own: bool) -> TemplateCard:
    prints = sum(line.copies for arm in file.arms for line in arm.lines)
    return TemplateCard(key=key, name=name, about=about, prints=prints, own=own)
