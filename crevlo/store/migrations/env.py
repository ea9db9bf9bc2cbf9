"""Alembic: brings a database to the version of the models."""

from alembic import context

from crevlo.store import Base
from crevlo.store.database import ours

with context.config.attributes["engine"].connect() as connection:
    context.configure(connection=connection, target_metadata=Base.metadata, compare_type=True, include_object=ours)
    with context.begin_transaction():
        context.run_migrations()
    connection.commit()
