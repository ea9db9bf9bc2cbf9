"""The audit trail, filled by triggers, and the record of writes already carried out."""

import uuid
from datetime import datetime
from typing import Any

from sqlalchemy import BigInteger, Identity, Index
from sqlalchemy.orm import Mapped, mapped_column

from crevlo.store.base import Base, recorded_at


class AuditEntry(Base):
    """One change of one row: by whom, when, before and after."""

    __tablename__ = "audit_entry"
    id: Mapped[int] = mapped_column(BigInteger, Identity(always=True), primary_key=True)
    table_name: Mapped[str]
    row_id: Mapped[str]
    action: Mapped[str]
    before: Mapped[dict[str, Any] | None]
    after: Mapped[dict[str, Any] | None]
    person_id: Mapped[uuid.UUID | None]
    at: Mapped[datetime] = recorded_at()
    __table_args__ = (Index("ix_audit_entry_row", "table_name", "row_id"),)


class Write(Base):
    """A write named by its client, with the answer it got, so that a repeated send is carried out once."""

    __tablename__ = "client_write"
    id: Mapped[uuid.UUID] = mapped_column(primary_key=True)
    person_id: Mapped[uuid.UUID | None]
    request_hash: Mapped[str]
    status: Mapped[int]
    body: Mapped[str]
    at: Mapped[datetime] = recorded_at()
