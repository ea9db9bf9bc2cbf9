"""kinds as text that the core checks; readings in any unit, judgements; criteria by what is told; money with its currency"""

from alembic import op

from crevlo.store.database import SQL

revision = "0009"
down_revision = "0008"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.execute((SQL / "what_is_told.sql").read_text())
