"""what is published, for readers and for other benches"""

from alembic import op

from crevlo.store.database import SQL

revision = "0016"
down_revision = "0015"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.execute((SQL / "published.sql").read_text())
