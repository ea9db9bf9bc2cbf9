"""Tables, one noun per file; importing this package knows them all."""

from crevlo.store import (
    audit,
    device,
    gauge,
    inspection,
    machine,
    money,
    person,
    published,
    reading,
    record,
    request_count,
    run,
    schedule,
    study,
    verdict,
)
from crevlo.store.base import Base

__all__ = [
    "Base",
    "audit",
    "device",
    "gauge",
    "inspection",
    "machine",
    "money",
    "person",
    "published",
    "reading",
    "record",
    "request_count",
    "run",
    "schedule",
    "study",
    "verdict",
]
