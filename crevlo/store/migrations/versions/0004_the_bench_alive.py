"""the bench alive: devices and what they send, marks of a run, fault finding, photos, background work by subject"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

from crevlo.store.database import SQL

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def _time(name: str) -> sa.Column:
    return sa.Column(
        name, sa.DateTime(timezone=True), server_default=sa.text("clock_timestamp()"), nullable=False
    )  # fmt: skip


def _moment(name: str) -> sa.Column:
    return sa.Column(name, sa.DateTime(timezone=True), nullable=False)


def _id(table: str) -> tuple[sa.Column, sa.PrimaryKeyConstraint]:
    return sa.Column("id", sa.Uuid(), nullable=False), sa.PrimaryKeyConstraint("id", name=op.f(f"pk_{table}"))


def _to(table: str, column: str, other: str) -> sa.ForeignKeyConstraint:
    return sa.ForeignKeyConstraint([column], [f"{other}.id"], name=op.f(f"fk_{table}_{column}"))


def upgrade() -> None:
    _background_work()
    _devices()
    _runs()
    op.execute((SQL / "bench_alive.sql").read_text())


def _background_work() -> None:
    op.add_column("background_work", sa.Column("subject_id", sa.Uuid()))
    op.create_index(op.f("ix_background_work_subject_id"), "background_work", ["subject_id"])
    op.drop_index("uq_background_work_open", "background_work")
    op.create_index(
        "uq_background_work_open", "background_work", [sa.text("coalesce(subject_id, study_id)"), "kind"], unique=True,
        postgresql_where=sa.text("state in ('waiting', 'running')"),
    )  # fmt: skip


def _devices() -> None:
    op.create_table(
        "device",
        sa.Column("number", sa.Integer(), sa.Identity(always=True), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("kind", sa.String(24), nullable=False),
        sa.Column("unit_id", sa.Uuid()),
        sa.Column("instrument_id", sa.Uuid()),
        sa.Column("token_sha256", sa.String(), nullable=False),
        sa.Column("topic", sa.String()),
        sa.Column("power_key", sa.String(), nullable=False),
        sa.Column("counter_key", sa.String(), nullable=False),
        sa.Column("time_key", sa.String(), nullable=False),
        _time("added_at"),
        sa.Column("retired_at", sa.DateTime(timezone=True)),
        sa.Column("version", sa.Integer(), nullable=False),
        *_id("device"),
        _to("device", "unit_id", "unit"),
        _to("device", "instrument_id", "instrument"),
        sa.CheckConstraint(
            "kind in ('power meter', 'printer', 'sound meter', 'caliper', 'scale')", name=op.f("ck_device_devicekind")
        ),
        sa.CheckConstraint("length(name) between 1 and 60", name=op.f("ck_device_name_length")),
        *(sa.UniqueConstraint(c, name=op.f(f"uq_device_{c}")) for c in ("number", "name", "token_sha256", "topic")),
    )
    op.create_index(op.f("ix_device_unit_id"), "device", ["unit_id"])
    op.create_table(
        "power_sample",
        sa.Column("device", sa.Integer(), nullable=False),
        _moment("at"),
        sa.Column("power_w", sa.REAL()),
        sa.Column("counter_wh", sa.Float()),
        sa.PrimaryKeyConstraint("device", "at", name=op.f("pk_power_sample")),
        postgresql_partition_by="RANGE (at)",
    )
    op.create_table(
        "power_level",
        sa.Column("device", sa.Integer(), nullable=False),
        sa.Column("step_s", sa.Integer(), nullable=False),
        _moment("at"),
        sa.Column("samples", sa.Integer(), nullable=False),
        *(sa.Column(name, sa.REAL(), nullable=False) for name in ("low_w", "mean_w", "high_w")),
        sa.PrimaryKeyConstraint("device", "step_s", "at", name=op.f("pk_power_level")),
    )
    op.create_table(
        "printer_report",
        sa.Column("device", sa.Integer(), nullable=False),
        _moment("at"),
        sa.Column("phase", sa.String(), nullable=False),
        sa.Column("percent", sa.REAL()),
        sa.Column("layer", sa.Integer()),
        sa.Column("nozzle_c", sa.REAL()),
        sa.Column("bed_c", sa.REAL()),
        sa.Column("message", sa.String(), nullable=False),
        sa.PrimaryKeyConstraint("device", "at", name=op.f("pk_printer_report")),
    )
    op.create_table(
        "device_value",
        sa.Column("device", sa.Integer(), nullable=False),
        _moment("at"),
        sa.Column("value", sa.Float(), nullable=False),
        sa.PrimaryKeyConstraint("device", "at", name=op.f("pk_device_value")),
    )


def _runs() -> None:
    op.add_column("sliced_file", sa.Column("motion", postgresql.JSONB(astext_type=sa.Text())))
    op.drop_constraint(op.f("ck_run_energyfrom"), "run")
    op.create_check_constraint(op.f("ck_run_energyfrom"), "run", "energy_from in ('meter', 'trace', 'live')")
    op.add_column("run", sa.Column("failed_at_layer", sa.Integer()))
    op.create_check_constraint(op.f("ck_run_layer_range"), "run", "failed_at_layer between 0 and 100000")
    op.create_table(
        "run_event",
        sa.Column("run_id", sa.Uuid(), nullable=False),
        sa.Column("kind", sa.String(24), nullable=False),
        _moment("at"),
        sa.Column("note", sa.String(), nullable=False),
        sa.Column("person_id", sa.Uuid(), nullable=False),
        _time("recorded_at"),
        sa.Column("supersedes_id", sa.Uuid()),
        sa.Column("reason", sa.String()),
        *_id("run_event"),
        _to("run_event", "run_id", "run"),
        _to("run_event", "person_id", "person"),
        _to("run_event", "supersedes_id", "run_event"),
        sa.UniqueConstraint("supersedes_id", name=op.f("uq_run_event_supersedes_id")),
        sa.CheckConstraint(
            "kind in ('levelling', 'warm-up', 'printing', 'paused', 'filament change', 'cooling', 'removal')",
            name=op.f("ck_run_event_runeventkind"),
        ),
        sa.CheckConstraint(
            "(supersedes_id is null) = (reason is null)", name=op.f("ck_run_event_correction_has_reason")
        ),
    )
    op.create_index(op.f("ix_run_event_run_id"), "run_event", ["run_id"])
    op.create_table(
        "hypothesis",
        sa.Column("run_id", sa.Uuid(), nullable=False),
        *(sa.Column(name, sa.String(), nullable=False) for name in ("claim", "test", "result")),
        sa.Column("ruling", sa.String(24), nullable=False),
        sa.Column("person_id", sa.Uuid(), nullable=False),
        _time("noted_at"),
        sa.Column("version", sa.Integer(), nullable=False),
        *_id("hypothesis"),
        _to("hypothesis", "run_id", "run"),
        _to("hypothesis", "person_id", "person"),
        sa.CheckConstraint("ruling in ('open', 'ruled out', 'found')", name=op.f("ck_hypothesis_ruling")),
    )
    op.create_index(op.f("ix_hypothesis_run_id"), "hypothesis", ["run_id"])
    op.create_table(
        "photo",
        sa.Column("subject_id", sa.Uuid(), nullable=False),
        sa.Column("sha256", sa.String(), nullable=False),
        sa.Column("width", sa.Integer(), nullable=False),
        sa.Column("height", sa.Integer(), nullable=False),
        sa.Column("caption", sa.String(), nullable=False),
        sa.Column("person_id", sa.Uuid(), nullable=False),
        _time("taken_at"),
        *_id("photo"),
        sa.ForeignKeyConstraint(["sha256"], ["upload.sha256"], name=op.f("fk_photo_sha256")),
        _to("photo", "person_id", "person"),
        sa.CheckConstraint("width > 0 and height > 0", name=op.f("ck_photo_size_positive")),
    )
    op.create_index("ix_photo_subject_id", "photo", ["subject_id"])
