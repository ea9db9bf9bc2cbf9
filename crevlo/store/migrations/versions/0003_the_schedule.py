"""the schedule: rules of the bench, pins, schedules made, and background work with its queue"""

import sqlalchemy as sa
from alembic import op
from procrastinate.schema import SchemaManager
from sqlalchemy.dialects import postgresql

from crevlo.store.database import SQL

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None

_JSON = postgresql.JSONB(astext_type=sa.Text())


def _time(name: str) -> sa.Column:
    return sa.Column(
        name, sa.DateTime(timezone=True), server_default=sa.text("clock_timestamp()"), nullable=False
    )  # fmt: skip


def _study() -> sa.Column:
    return sa.Column("study_id", sa.Uuid(), nullable=False)


def upgrade() -> None:
    op.create_table(
        "bench_rules",
        _study(),
        sa.Column("rules", _JSON, nullable=False),
        _time("changed_at"),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.ForeignKeyConstraint(["study_id"], ["study.id"], name=op.f("fk_bench_rules_study_id")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_bench_rules")),
        sa.UniqueConstraint("study_id", name=op.f("uq_bench_rules_study_id")),
    )
    op.create_table(
        "pin",
        sa.Column("job_id", sa.Uuid(), nullable=False),
        _study(),
        sa.Column("start_at", sa.DateTime(timezone=True), nullable=False),
        sa.Column("person_id", sa.Uuid(), nullable=False),
        _time("recorded_at"),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.ForeignKeyConstraint(["job_id"], ["job.id"], name=op.f("fk_pin_job_id")),
        sa.ForeignKeyConstraint(["study_id"], ["study.id"], name=op.f("fk_pin_study_id")),
        sa.ForeignKeyConstraint(["person_id"], ["person.id"], name=op.f("fk_pin_person_id")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_pin")),
        sa.UniqueConstraint("job_id", name=op.f("uq_pin_job_id")),
    )
    op.create_index(op.f("ix_pin_study_id"), "pin", ["study_id"])
    op.create_table(
        "schedule",
        _study(),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("origin", sa.DateTime(timezone=True), nullable=False),
        sa.Column("tick_s", sa.Integer(), nullable=False),
        sa.Column("seed", sa.Integer(), nullable=False),
        sa.Column("rules", _JSON, nullable=False),
        sa.Column("slots", _JSON, nullable=False),
        sa.Column("dryings", _JSON, nullable=False),
        sa.Column("facts", _JSON, nullable=False),
        sa.Column("moved", _JSON, nullable=False),
        sa.Column("person_id", sa.Uuid(), nullable=False),
        _time("made_at"),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.CheckConstraint("tick_s > 0", name=op.f("ck_schedule_tick_positive")),
        sa.ForeignKeyConstraint(["study_id"], ["study.id"], name=op.f("fk_schedule_study_id")),
        sa.ForeignKeyConstraint(["person_id"], ["person.id"], name=op.f("fk_schedule_person_id")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_schedule")),
        sa.UniqueConstraint("study_id", "number", name=op.f("uq_schedule_study_id_number")),
    )
    op.create_table(
        "background_work",
        _study(),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("given", _JSON, nullable=False),
        sa.Column("state", sa.String(24), nullable=False),
        sa.Column("wish", sa.String(24), nullable=False),
        sa.Column("stage", sa.String(), nullable=False),
        sa.Column("share", sa.Float(), nullable=False),
        sa.Column("message", sa.String(), nullable=False),
        sa.Column("found", _JSON, server_default=sa.text("'{}'::jsonb"), nullable=False),
        sa.Column("person_id", sa.Uuid(), nullable=False),
        _time("asked_at"),
        sa.Column("told_at", sa.DateTime(timezone=True)),
        sa.Column("ended_at", sa.DateTime(timezone=True)),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.CheckConstraint("share between 0 and 1", name=op.f("ck_background_work_share_range")),
        sa.CheckConstraint(
            "state in ('waiting', 'running', 'done', 'failed', 'cancelled')",
            name=op.f("ck_background_work_workstate"),
        ),
        sa.CheckConstraint("wish in ('go on', 'enough', 'cancel')", name=op.f("ck_background_work_wish")),
        sa.ForeignKeyConstraint(["study_id"], ["study.id"], name=op.f("fk_background_work_study_id")),
        sa.ForeignKeyConstraint(["person_id"], ["person.id"], name=op.f("fk_background_work_person_id")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_background_work")),
    )
    op.create_index(op.f("ix_background_work_study_id"), "background_work", ["study_id"])
    op.create_index(
        "uq_background_work_open", "background_work", ["study_id", "kind"], unique=True,
        postgresql_where=sa.text("state in ('waiting', 'running')"),
    )  # fmt: skip
    op.execute((SQL / "schedule.sql").read_text())
    # Past SQLAlchemy, which would read its colons and percent signs.
    op.get_bind().connection.cursor().execute(SchemaManager.get_schema())
