"""any artifact: arms and lines in a protocol, own meshes, features of every kind, specification sheets, templates"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

from crevlo.store.database import SQL

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None

_JSON = postgresql.JSONB(astext_type=sa.Text())
_KINDS = ("length", "diagonal", "thickness", "gap", "pillar", "span", "overhang", "distance", "look", "lift")


def upgrade() -> None:
    op.add_column("model", sa.Column("sheet", _JSON, server_default=sa.text("'{}'::jsonb"), nullable=False))
    _artifacts()
    _arms()
    op.create_table(
        "protocol_template",
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("about", sa.String(), nullable=False),
        sa.Column("content", _JSON, nullable=False),
        sa.Column("person_id", sa.Uuid(), nullable=False),
        sa.Column(
            "saved_at", sa.DateTime(timezone=True), server_default=sa.text("clock_timestamp()"), nullable=False
        ),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.CheckConstraint("length(name) between 1 and 80", name=op.f("ck_protocol_template_name_length")),
        sa.ForeignKeyConstraint(["person_id"], ["person.id"], name=op.f("fk_protocol_template_person_id")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_protocol_template")),
        sa.UniqueConstraint("name", name=op.f("uq_protocol_template_name")),
    )
    op.execute((SQL / "any_artifact.sql").read_text())


def _artifacts() -> None:
    op.add_column("artifact", sa.Column("mesh_sha256", sa.String()))
    op.add_column("artifact", sa.Column("licence", sa.String(), server_default="", nullable=False))
    op.add_column("artifact", sa.Column("source", sa.String(), server_default="", nullable=False))
    op.add_column(
        "artifact",
        sa.Column(
            "added_at", sa.DateTime(timezone=True), server_default=sa.text("clock_timestamp()"), nullable=False
        ),
    )
    op.create_foreign_key(op.f("fk_artifact_mesh_sha256"), "artifact", "upload", ["mesh_sha256"], ["sha256"])
    op.create_check_constraint(
        op.f("ck_artifact_own_has_source"),
        "artifact",
        "mesh_sha256 is null or (length(licence) > 0 and length(source) > 0)",
    )
    op.execute('update artifact set definition = definition || \'{"shelf_version": 1, "sizes": {}}\'')
    op.alter_column("feature", "nominal_mm", new_column_name="nominal")
    op.add_column("feature", sa.Column("kind", sa.String(24), server_default="length", nullable=False))
    op.add_column("feature", sa.Column("unit", sa.String(), server_default="mm", nullable=False))
    op.add_column("feature", sa.Column("ends", _JSON))
    op.drop_constraint(op.f("ck_feature_axis_known"), "feature")
    op.drop_constraint(op.f("ck_feature_nominal_positive"), "feature")
    listed = ", ".join(f"'{k}'" for k in _KINDS)
    for name, rule in (
        ("kind", f"kind in ({listed})"),
        ("axis_known", "axis in ('X', 'Y', 'Z', 'D')"),
        ("nominal_not_negative", "nominal >= 0"),
        ("unit_known", "unit in ('mm', '°')"),
        ("length_has_axis", "kind <> 'length' or (nominal > 0 and unit = 'mm' and axis <> 'D')"),
    ):
        op.create_check_constraint(op.f(f"ck_feature_{name}"), "feature", rule)


def _arms() -> None:
    op.create_table(
        "arm",
        sa.Column("protocol_id", sa.Uuid(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("slicing", sa.String(24), nullable=False),
        sa.Column("tuning", sa.String(24), nullable=False),
        sa.Column("conditions", _JSON, nullable=False),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.CheckConstraint("length(name) between 1 and 60", name=op.f("ck_arm_name_length")),
        sa.CheckConstraint("slicing in ('common', 'own')", name=op.f("ck_arm_slicing")),
        sa.CheckConstraint("tuning in ('stock', 'tuned')", name=op.f("ck_arm_tuning")),
        sa.ForeignKeyConstraint(["protocol_id"], ["protocol.id"], name=op.f("fk_arm_protocol_id")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_arm")),
        sa.UniqueConstraint("protocol_id", "name", name=op.f("uq_arm_protocol_id_name")),
    )
    op.create_table(
        "print_line",
        sa.Column("arm_id", sa.Uuid(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("artifact_id", sa.Uuid(), nullable=False),
        sa.Column("spool_id", sa.Uuid(), nullable=True),
        sa.Column("second_spool_id", sa.Uuid(), nullable=True),
        sa.Column("copies", sa.Integer(), nullable=False),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.CheckConstraint("copies between 1 and 20", name=op.f("ck_print_line_copies_range")),
        sa.CheckConstraint("second_spool_id <> spool_id", name=op.f("ck_print_line_two_spools_differ")),
        sa.ForeignKeyConstraint(["arm_id"], ["arm.id"], name=op.f("fk_print_line_arm_id")),
        sa.ForeignKeyConstraint(["artifact_id"], ["artifact.id"], name=op.f("fk_print_line_artifact_id")),
        sa.ForeignKeyConstraint(["spool_id"], ["spool.id"], name=op.f("fk_print_line_spool_id")),
        sa.ForeignKeyConstraint(["second_spool_id"], ["spool.id"], name=op.f("fk_print_line_second_spool_id")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_print_line")),
        sa.UniqueConstraint(
            "arm_id", "artifact_id", "spool_id", name=op.f("uq_print_line_arm_id_artifact_id_spool_id"),
            postgresql_nulls_not_distinct=True,
        ),
    )  # fmt: skip
    op.execute((SQL / "one_arm.sql").read_text())
    op.add_column("job", sa.Column("second_spool_id", sa.Uuid(), nullable=True))
    op.add_column("job", sa.Column("arm_id", sa.Uuid(), nullable=True))
    op.execute(
        "update job set arm_id = arm.id from arm join protocol on protocol.id = arm.protocol_id "
        "where protocol.study_id = job.study_id"
    )
    op.alter_column("job", "arm_id", nullable=False)
    op.create_foreign_key(op.f("fk_job_arm_id"), "job", "arm", ["arm_id"], ["id"])
    op.create_foreign_key(op.f("fk_job_second_spool_id"), "job", "spool", ["second_spool_id"], ["id"])
    op.drop_constraint(op.f("uq_job_study_id_unit_id_artifact_id_copy"), "job")
    op.create_unique_constraint(
        op.f("uq_job_arm_id_unit_id_artifact_id_spool_id_copy"),
        "job",
        ["arm_id", "unit_id", "artifact_id", "spool_id", "copy"],
    )
    op.drop_column("study_unit", "copies")
    for column in ("artifact_id", "spool_id", "conditions"):
        op.drop_column("protocol", column)
