"""notes of a run, and the look round the room"""

from alembic import op

from crevlo.store.database import SQL

revision = "0014"
down_revision = "0013"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.execute((SQL / "at_the_bench.sql").read_text())
