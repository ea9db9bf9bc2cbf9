"""features with their level, readings over several, a stopwatch; looks, own defects, duels, pins"""

from alembic import op

from crevlo.store.database import SQL

revision = "0011"
down_revision = "0010"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.execute((SQL / "every_artifact_says.sql").read_text())
