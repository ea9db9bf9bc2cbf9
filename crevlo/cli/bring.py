"""Takes a data package of another bench into a database."""

import uuid

from sqlalchemy import func, select, text

from crevlo.core.estimate import BadInput
from crevlo.stations.publish.others import NewPackage, import_package
from crevlo.store.database import connect, sessions
from crevlo.store.person import Person, Role


def bring(url: str, content: bytes, email: str, bench: str) -> tuple[str, str]:
    """The package's title and what came out of working it out again. Raises BadInput where nobody who may take one has
    that address."""
    engine = connect(url)
    try:
        with sessions(engine).begin() as session:
            person = session.scalar(select(Person).where(func.lower(Person.email) == email.lower(), Person.active))
            if person is None or person.role not in (Role.OWNER, Role.REVIEWER):
                raise BadInput(f"no reviewer has the address {email}")
            session.execute(text("select set_config('crevlo.person', :who, true)"), {"who": str(person.id)})
            view = import_package(session, NewPackage(id=uuid.uuid4(), bench=bench), content, person.id)
            return view.title, view.says
    finally:
        engine.dispose()
