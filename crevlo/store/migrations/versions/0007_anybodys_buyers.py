"""must-haves of any kind; noise of a unit that prints nothing; readings kept although they are far off"""

import sqlalchemy as sa
from alembic import op

revision = "0007"
down_revision = "0006"
branch_labels = None
depends_on = None

_KINDS = ("price", "noise", "length", "safety", "success", "material", "enclosure", "tools", "figure")


def upgrade() -> None:
    op.add_column("gate", sa.Column("at_least", sa.Boolean(), nullable=False, server_default=sa.false()))
    op.alter_column("gate", "at_least", server_default=None)
    op.drop_constraint(op.f("ck_gate_gatekind"), "gate", type_="check")
    op.create_check_constraint(op.f("ck_gate_gatekind"), "gate", f"kind in {_KINDS}")
    op.drop_constraint(op.f("uq_gate_profile_id_kind"), "gate", type_="unique")
    op.execute("update gate set what = 'printing' where kind = 'noise'")
    op.create_unique_constraint(op.f("uq_gate_profile_id_kind"), "gate", ["profile_id", "kind", "what", "at_least"])
    op.add_column("reading", sa.Column("note", sa.String(), nullable=True))
    op.alter_column("noise_reading", "run_id", nullable=True)
    op.add_column("noise_reading", sa.Column("unit_id", sa.Uuid(), nullable=True))
    op.create_foreign_key(op.f("fk_noise_reading_unit_id"), "noise_reading", "unit", ["unit_id"], ["id"])
    op.create_index(op.f("ix_noise_reading_unit_id"), "noise_reading", ["unit_id"])
    op.execute("drop trigger correct_in_place on noise_reading")
    op.execute(
        "create trigger correct_in_place before insert on noise_reading"
        " for each row execute function correct_in_place('run_id', 'unit_id')"
    )
    op.create_check_constraint(
        op.f("ck_noise_reading_of_one"), "noise_reading", "(run_id is null) <> (unit_id is null)"
    )
