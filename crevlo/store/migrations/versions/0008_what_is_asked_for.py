"""indexes by what is asked for, so that a study costs the same in a full database"""

from alembic import op

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None

_BY = (
    ("reading", "specimen_id"), ("defect_score", "specimen_id"), ("rejection", "specimen_id"), ("job", "unit_id"),
    ("job", "spool_id"), ("run", "configuration_id"), ("run", "sliced_file_id"),
)  # fmt: skip


def upgrade() -> None:
    for table, column in _BY:
        op.create_index(op.f(f"ix_{table}_{column}"), table, [column])


def downgrade() -> None:
    for table, column in _BY:
        op.drop_index(op.f(f"ix_{table}_{column}"), table)
