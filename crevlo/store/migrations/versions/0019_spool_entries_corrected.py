"""entries of spools are corrected"""

from alembic import op

from crevlo.store.database import SQL

revision = "0019"
down_revision = "0018"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.execute((SQL / "spool_entries_corrected.sql").read_text())
