"""how many parts lie on a plate"""

from alembic import op

from crevlo.store.database import SQL

revision = "0012"
down_revision = "0011"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.execute((SQL / "parts_on_a_plate.sql").read_text())
