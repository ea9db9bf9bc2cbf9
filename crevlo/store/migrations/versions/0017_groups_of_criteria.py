"""criteria of a scheme stand in groups of its own"""

import sqlalchemy as sa
from alembic import op

revision = "0017"
down_revision = "0016"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("criterion", sa.Column("group_name", sa.String(), nullable=False, server_default=""))
    op.create_check_constraint("group_length", "criterion", "length(group_name) <= 40")
