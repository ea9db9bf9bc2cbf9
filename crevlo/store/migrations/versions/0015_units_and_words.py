"""units of a model told apart, and what stands beside a study's figures"""

from alembic import op

from crevlo.store.database import SQL

revision = "0015"
down_revision = "0014"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.execute((SQL / "units_and_words.sql").read_text())
