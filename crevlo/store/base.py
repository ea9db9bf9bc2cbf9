"""What every table shares: identity, naming of constraints, optimistic locking."""

import uuid
from datetime import datetime
from typing import Any, ClassVar

from sqlalchemy import DateTime, Enum, Integer, MetaData, text
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import DeclarativeBase, Mapped, declared_attr, mapped_column

NAMES = {
    "ix": "ix_%(table_name)s_%(column_0_N_name)s",
    "uq": "uq_%(table_name)s_%(column_0_N_name)s",
    "ck": "ck_%(table_name)s_%(constraint_name)s",
    "fk": "fk_%(table_name)s_%(column_0_name)s",
    "pk": "pk_%(table_name)s",
}


class Base(DeclarativeBase):
    metadata: ClassVar[MetaData] = MetaData(naming_convention=NAMES)
    type_annotation_map: ClassVar = {
        datetime: DateTime(timezone=True),
        dict[str, Any]: JSONB,
        list[Any]: JSONB,
    }


class Identified:
    """A row whose id may be made by the client, so that a repeated send names the same row."""

    id: Mapped[uuid.UUID] = mapped_column(primary_key=True, default=uuid.uuid4)


class Editable(Identified):
    """A row that people change in place; `version` lets the later of two writers see the conflict."""

    version: Mapped[int] = mapped_column(Integer, nullable=False)

    @declared_attr.directive
    def __mapper_args__(cls) -> dict[str, Any]:
        return {"version_id_col": cls.version}


def recorded_at() -> Mapped[datetime]:
    return mapped_column(server_default=text("clock_timestamp()"))


def set_by_database() -> Mapped[bool]:
    """A mark that a trigger sets, whatever way a row comes in."""
    return mapped_column(default=False, server_default=text("false"))


def enum_of(kind: type) -> Enum:
    """An enumeration kept as text: its values are the core's to know, so that a new one changes no table."""
    return Enum(
        kind,
        native_enum=False,
        create_constraint=False,
        length=None,
        name=kind.__name__.lower(),
        values_callable=lambda members: [m.value for m in members],
    )
