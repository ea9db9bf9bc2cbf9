"""Connection, sessions and migrations."""

import math
import os
import time
from pathlib import Path
from typing import TYPE_CHECKING

from sqlalchemy import Engine, create_engine, event, text
from sqlalchemy.engine.interfaces import DBAPIConnection
from sqlalchemy.exc import DisconnectionError
from sqlalchemy.orm import Session, sessionmaker
from sqlalchemy.pool import ConnectionPoolEntry

if TYPE_CHECKING:
    from alembic.config import Config

MIGRATIONS = Path(__file__).with_name("migrations")
SQL = Path(__file__).with_name("sql")
# Any number unlike other programs' locks; two web processes started together migrate one after the other.
_MIGRATION_LOCK = 0x43524556


def database_url(given: str | None = None) -> str:
    """The SQLAlchemy URL of `given` or DATABASE_URL, with the psycopg 3 driver. Raises KeyError without either."""
    url = given or os.environ["DATABASE_URL"]
    scheme, _, rest = url.partition("://")
    if scheme not in ("postgres", "postgresql", "postgresql+psycopg"):
        raise ValueError(f"DATABASE_URL must be a postgresql:// address, not {scheme}://")
    return f"postgresql+psycopg://{rest}"


def connect(url: str) -> Engine:
    """A pool of connections; one that has rested is asked whether it still lives before it is used again.

    CREVLO_POOLER=1 says that a pooler hands a connection on after each transaction: then nothing is prepared on it, which
    the next one would not find.
    """
    pooled = {"prepare_threshold": None} if os.environ.get("CREVLO_POOLER") == "1" else {}
    engine = create_engine(
        database_url(url), pool_size=8, max_overflow=8, connect_args=pooled, query_cache_size=_QUESTIONS
    )

    @event.listens_for(engine, "connect")
    def begins(connection: DBAPIConnection, record: ConnectionPoolEntry) -> None:
        # Compiling a question takes longer than answering any of ours.
        # With fewer kept, none is asked often enough in a row to be prepared.
        connection.prepared_max = _QUESTIONS
        cursor = connection.cursor()
        cursor.execute("set jit = off")
        cursor.close()
        connection.commit()

    @event.listens_for(engine, "checkin")
    def rests(connection: DBAPIConnection | None, record: ConnectionPoolEntry) -> None:
        record.info["rests_since"] = time.monotonic()

    @event.listens_for(engine, "checkout")
    def wakes(connection: DBAPIConnection, record: ConnectionPoolEntry, proxy: object) -> None:
        if time.monotonic() - record.info.get("rests_since", math.inf) < _FRESH_S:
            return
        try:
            alive = engine.dialect.do_ping(connection)
        except engine.dialect.dbapi.Error:  # type: ignore[union-attr]
            alive = False
        if not alive:
            # The pool then opens another one.
            raise DisconnectionError

    return engine


_FRESH_S = 1.0
# The application asks some five hundred different questions, some of them in several lengths.
_QUESTIONS = 1500


def sessions(engine: Engine) -> sessionmaker[Session]:
    return sessionmaker(engine, expire_on_commit=False)


def alembic_config(engine: Engine) -> "Config":
    from alembic.config import Config

    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    config.attributes["engine"] = engine
    return config


def migrate(engine: Engine, app_role: str | None = None, revision: str = "head") -> None:
    """Brings the schema up to date; safe to call from several processes at once.

    `engine` is the owner's. The role `app_role`, where it is another, is given what the application needs and no more.
    """
    from alembic import command

    with engine.connect() as guard:
        guard.execute(text("select pg_advisory_lock(:key)"), {"key": _MIGRATION_LOCK})
        try:
            command.upgrade(alembic_config(engine), revision)
            if app_role and revision == "head":
                _grant(engine, app_role)
        finally:
            guard.execute(text("select pg_advisory_unlock(:key)"), {"key": _MIGRATION_LOCK})


def _grant(engine: Engine, role: str) -> None:
    with engine.begin() as connection:
        if connection.scalar(text("select current_user")) != role:
            connection.execute(text("select set_config('crevlo.app_role', :role, true)"), {"role": role})
            connection.execute(text((SQL / "grants.sql").read_text()))


def stands_above_the_rules(engine: Engine) -> bool:
    """Whether this role could switch off the rules that the database keeps: a superuser, or the owner of the tables."""
    with engine.connect() as connection:
        return bool(
            connection.scalar(
                text(
                    "select rolsuper or pg_has_role(current_user, (select tableowner from pg_tables"
                    " where schemaname = 'public' and tablename = 'audit_entry'), 'member')"
                    " from pg_roles where rolname = current_user"
                )
            )
        )


def ours(found: object, name: str | None, kind: str, reflected: bool, compared: object) -> bool:
    """Whether a table is one of the models: the queue of background jobs brings its own, and samples have partitions."""
    return not (kind == "table" and str(name).startswith(("procrastinate_", "power_sample_")))
