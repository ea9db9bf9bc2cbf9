"""How often something was asked."""

from datetime import datetime

from sqlalchemy.orm import Mapped, mapped_column

from crevlo.store.base import Base


class RequestCount(Base):
    """Calls of one kind by one caller in one minute."""

    __tablename__ = "request_count"
    kind: Mapped[str] = mapped_column(primary_key=True)
    caller: Mapped[str] = mapped_column(primary_key=True)
    minute: Mapped[datetime] = mapped_column(primary_key=True)
    n: Mapped[int]
