"""the bench alive: background work by subject"""

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("background_work", sa.Column("subject_id", sa.Uuid()))
    op.create_index(op.f("ix_background_work_subject_id"), "background_work", ["subject_id"])
    op.drop_index("uq_background_work_open", "background_work")
    op.create_index(
        "uq_background_work_open", "background_work", [sa.text("coalesce(subject_id, study_id)"), "kind"], unique=True,
        postgresql_where=sa.text("state in ('waiting', 'running')"),
    )  # fmt: skip
