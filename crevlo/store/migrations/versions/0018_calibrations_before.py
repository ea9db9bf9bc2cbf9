"""an instrument calibrated again keeps how it was before"""

from alembic import op

from crevlo.store.database import SQL

revision = "0018"
down_revision = "0017"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.execute((SQL / "calibrations_before.sql").read_text())
