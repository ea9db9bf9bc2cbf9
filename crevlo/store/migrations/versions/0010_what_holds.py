"""what gaps of a trace leave unknown of a run's energy"""

from alembic import op

from crevlo.store.database import SQL

revision = "0010"
down_revision = "0009"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.execute((SQL / "what_gaps_leave.sql").read_text())
