"""the record of a unit: contents, assembly, measurements, claims, worths, log; more safety checks; spools weighed"""

import sqlalchemy as sa
from alembic import op

from crevlo.store.database import SQL

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None

_CLAIMS = (
    "top speed", "flow", "noise", "printable width", "printable depth", "printable height", "nozzle temperature",
    "bed temperature", "warm-up time", "weight", "warranty",
)  # fmt: skip
_MEASURES = (
    "plate width", "plate depth", "left edge not reached", "right edge not reached", "front edge not reached",
    "back edge not reached", "height reached", "width at full height", "weight", "warm-up, nozzle alone", "warm-up, bed alone", "warm-up, both",
    "nozzle reached", "bed reached", "speed reached", "flow reached", "colour change", "purge at a colour change",
    "set-up, first time", "set-up, again",
)  # fmt: skip


def _time(name: str) -> sa.Column:
    return sa.Column(
        name, sa.DateTime(timezone=True), server_default=sa.text("clock_timestamp()"), nullable=False
    )  # fmt: skip


def _words(*names: str) -> list[sa.Column]:
    return [sa.Column(name, sa.String(), nullable=False) for name in names]


def _ids(*names: str) -> list[sa.Column]:
    return [sa.Column(name, sa.Uuid(), nullable=False) for name in names]


def _one_of(table: str, name: str, values: tuple[str, ...], column: str = "kind") -> sa.CheckConstraint:
    listed = ", ".join(f"'{v}'" for v in values)
    return sa.CheckConstraint(f"{column} in ({listed})", name=op.f(f"ck_{table}_{name}"))


def _keys(table: str, **others: str) -> list[sa.schema.SchemaItem]:
    return [
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f(f"pk_{table}")),
        *(
            sa.ForeignKeyConstraint([column], [f"{to}.id"], name=op.f(f"fk_{table}_{column}"))
            for column, to in others.items()
        ),
    ]


def _correction(table: str) -> list[sa.schema.SchemaItem]:
    return [
        sa.Column("supersedes_id", sa.Uuid()),
        sa.Column("reason", sa.String()),
        sa.ForeignKeyConstraint(["supersedes_id"], [f"{table}.id"], name=op.f(f"fk_{table}_supersedes_id")),
        sa.UniqueConstraint("supersedes_id", name=op.f(f"uq_{table}_supersedes_id")),
        sa.CheckConstraint(
            "(supersedes_id is null) = (reason is null)", name=op.f(f"ck_{table}_correction_has_reason")
        ),
    ]


def _check(table: str, name: str, rule: str) -> sa.CheckConstraint:
    return sa.CheckConstraint(rule, name=op.f(f"ck_{table}_{name}"))


def upgrade() -> None:
    _columns()
    _unit_record()
    _model_record()
    _logs()
    op.execute((SQL / "record.sql").read_text())


def _columns() -> None:
    op.add_column("unit", sa.Column("disclosure", sa.String(), server_default="", nullable=False))
    op.add_column("unit", sa.Column("day_price", sa.Float()))
    op.add_column("unit", sa.Column("day_price_on", sa.Date()))
    op.add_column("unit", sa.Column("first_power_on", sa.DateTime(timezone=True)))
    for name in ("parts", "accessories"):
        op.add_column("configuration", sa.Column(name, sa.String(), server_default="", nullable=False))
    op.add_column("spool", sa.Column("lot", sa.String(), server_default="", nullable=False))
    op.add_column("spool", sa.Column("empty_g", sa.Float()))
    op.add_column("instrument", sa.Column("certificate", sa.String(), server_default="", nullable=False))
    op.add_column("instrument", sa.Column("valid_days", sa.Integer(), server_default=sa.text("365"), nullable=False))
    op.add_column("noise_reading", sa.Column("state", sa.String(24), server_default="printing", nullable=False))
    op.add_column("noise_reading", sa.Column("fan_percent", sa.Float()))
    op.create_check_constraint(
        op.f("ck_noise_reading_noisestate"), "noise_reading",
        "state in ('standby', 'heating', 'printing', 'printing at its fastest')",
    )  # fmt: skip
    op.create_check_constraint(op.f("ck_noise_reading_fan_range"), "noise_reading", "fan_percent between 0 and 100")
    op.drop_constraint(op.f("ck_safety_check_check"), "safety_check")
    op.create_check_constraint(
        op.f("ck_safety_check_check"), "safety_check", "kind in ('mains', 'cables', 'earth', 'runaway', 'stop', 'screws')"
    )  # fmt: skip


def _unit_record() -> None:
    op.create_table(
        "box_item", *_ids("unit_id"), *_words("name"), sa.Column("found", sa.String(24)), *_words("note"), _time("noted_at"),
        sa.Column("version", sa.Integer(), nullable=False), *_keys("box_item", unit_id="unit"),
        sa.UniqueConstraint("unit_id", "name", name=op.f("uq_box_item_unit_id_name")),
        _one_of("box_item", "found", ("present", "missing", "damaged"), "found"),
    )  # fmt: skip
    op.create_index(op.f("ix_box_item_unit_id"), "box_item", ["unit_id"])
    op.create_table(
        "assembly_step", *_ids("unit_id", "person_id"), *_words("name", "note"), sa.Column("seconds", sa.Float(), nullable=False),
        _time("done_at"), sa.Column("version", sa.Integer(), nullable=False),
        *_keys("assembly_step", unit_id="unit", person_id="person"),
        _check("assembly_step", "seconds_not_negative", "seconds >= 0"),
    )  # fmt: skip
    op.create_index(op.f("ix_assembly_step_unit_id"), "assembly_step", ["unit_id"])
    op.create_table(
        "unit_measure", *_ids("unit_id", "configuration_id", "person_id"), sa.Column("kind", sa.String(24), nullable=False),
        sa.Column("value", sa.Float(), nullable=False), sa.Column("from_c", sa.Float()), sa.Column("to_c", sa.Float()),
        sa.Column("instrument_id", sa.Uuid()), *_words("note"), sa.Column("taken_at", sa.DateTime(timezone=True), nullable=False),
        _time("recorded_at"), *_correction("unit_measure"),
        *_keys("unit_measure", unit_id="unit", configuration_id="configuration", person_id="person", instrument_id="instrument"),
        _one_of("unit_measure", "measurekind", _MEASURES),
    )  # fmt: skip
    op.create_index(op.f("ix_unit_measure_unit_id"), "unit_measure", ["unit_id"])


def _model_record() -> None:
    op.create_table(
        "claim", *_ids("model_id"), sa.Column("kind", sa.String(24), nullable=False), sa.Column("value", sa.Float(), nullable=False),
        *_words("said"), _time("noted_at"), sa.Column("version", sa.Integer(), nullable=False), *_keys("claim", model_id="model"),
        sa.UniqueConstraint("model_id", "kind", name=op.f("uq_claim_model_id_kind")),
        _one_of("claim", "claimkind", _CLAIMS),
    )  # fmt: skip
    op.create_index(op.f("ix_claim_model_id"), "claim", ["model_id"])
    op.create_table(
        "feature_worth", *_words("name"), sa.Column("worth", sa.Float(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False), *_keys("feature_worth"),
        sa.UniqueConstraint("name", name=op.f("uq_feature_worth_name")),
        _check("feature_worth", "worth_not_negative", "worth >= 0"),
    )  # fmt: skip
    op.create_table(
        "model_feature", *_ids("model_id", "feature_id"),
        sa.ForeignKeyConstraint(["model_id"], ["model.id"], name=op.f("fk_model_feature_model_id")),
        sa.ForeignKeyConstraint(["feature_id"], ["feature_worth.id"], name=op.f("fk_model_feature_feature_id")),
        sa.PrimaryKeyConstraint("model_id", "feature_id", name=op.f("pk_model_feature")),
    )  # fmt: skip


def _logs() -> None:
    op.create_table(
        "log_entry", *_ids("unit_id", "person_id"), sa.Column("kind", sa.String(24), nullable=False),
        sa.Column("at", sa.DateTime(timezone=True), nullable=False), sa.Column("hours", sa.Float()), *_words("words"),
        sa.Column("cost", sa.Float()), _time("recorded_at"), *_correction("log_entry"),
        *_keys("log_entry", unit_id="unit", person_id="person"),
        _one_of("log_entry", "logkind", ("hours", "fault", "wear", "maintenance", "part replaced")),
        _check("log_entry", "not_negative", "hours >= 0 and cost >= 0"),
        _check("log_entry", "says_what", "kind = 'hours' or length(words) > 0"),
        _check("log_entry", "hours_given", "kind <> 'hours' or hours is not null"),
    )  # fmt: skip
    op.create_index(op.f("ix_log_entry_unit_id"), "log_entry", ["unit_id"])
    op.create_table(
        "spool_entry", *_ids("spool_id", "person_id"), sa.Column("kind", sa.String(24), nullable=False),
        sa.Column("value", sa.Float(), nullable=False), sa.Column("at_c", sa.Float()), *_words("note"),
        sa.Column("at", sa.DateTime(timezone=True), nullable=False), _time("recorded_at"),
        *_keys("spool_entry", spool_id="spool", person_id="person"),
        _one_of("spool_entry", "spoolkind", ("weighed", "dried", "moisture", "diameter")),
        _check("spool_entry", "value_not_negative", "value >= 0"),
    )  # fmt: skip
    op.create_index(op.f("ix_spool_entry_spool_id"), "spool_entry", ["spool_id"])
