"""what is settled stays settled whoever writes; sessions, prices by date, rejections, claims of any kind, hazards"""

from alembic import op

from crevlo.store.database import SQL

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.execute((SQL / "kept_from_harm.sql").read_text())
