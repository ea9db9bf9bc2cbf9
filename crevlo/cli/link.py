"""One-time sign-in links, made on the machine that has the database."""

from sqlalchemy import func, select

from crevlo.stations.library.person import make_link
from crevlo.store.database import connect, sessions
from crevlo.store.person import Person


def sign_in_link(url: str, email: str) -> str | None:
    """Path and token that sign in the person with this address once; None where nobody has it."""
    engine = connect(url)
    try:
        with sessions(engine).begin() as session:
            person = session.scalar(select(Person.id).where(func.lower(Person.email) == email.lower()))
            return f"link#{make_link(session, person)}" if person else None
    finally:
        engine.dispose()
