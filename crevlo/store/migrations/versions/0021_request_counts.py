"""how often something is asked, counted over all web processes"""

from alembic import op

from crevlo.store.database import SQL

revision = "0021"
down_revision = "0020"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.execute((SQL / "request_counts.sql").read_text())
