"""who has seen figures by printer while parts were hidden"""

from alembic import op

from crevlo.store.database import SQL

revision = "0020"
down_revision = "0019"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.execute((SQL / "unblinding.sql").read_text())
