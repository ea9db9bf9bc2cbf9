"""studies entered afterwards, and weighed prints"""

from alembic import op

from crevlo.store.database import SQL

revision = "0013"
down_revision = "0012"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.execute((SQL / "entered_afterwards.sql").read_text())
