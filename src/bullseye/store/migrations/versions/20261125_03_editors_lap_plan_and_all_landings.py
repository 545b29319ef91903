"""Techniques hold every choice; sorties their lap plan and all landing kinds; fields their marks; things can be removed.

Revision ID: 20261125_03
Revises: 20261125_02
"""

from typing import Any

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = '20261125_03'
down_revision = '20261125_02'
branch_labels = None
depends_on = None

_CHOICES: dict[str, tuple[Any, Any]] = {
    'gust_allowance': (sa.String(8), 'half'),
    'weight_scaling': (sa.Boolean(), sa.true()),
    'roundout_order': (sa.String(32), 'halve_shift_idle_flare'),
    'correction_set': (sa.String(16), 'common'),
    'lift_off': (sa.String(16), 'fly_off'),
    'first_turn': (sa.String(16), 'tpa_less_300'),
    'power_off_shape': (sa.String(16), 'arc'),
}
_REMOVABLE = ('aircraft', 'airfield', 'runway_end', 'technique', 'standard')
_BEFORE = "landing in ('normal', 'short_field', 'power_off')"
_AFTER = "landing in ('normal', 'crosswind', 'short_field', 'soft_field', 'power_off', 'no_flap', 'forward_slip')"


def upgrade() -> None:
    op.add_column('technique', sa.Column('spec', JSONB(), nullable=True))
    pairs = ', '.join(f"'{name}', {name}" for name in _CHOICES)
    op.execute(f'update technique set spec = jsonb_build_object({pairs})')  # noqa: S608  (names of ours)
    op.alter_column('technique', 'spec', nullable=False)
    op.drop_constraint(op.f('ck_technique_gust_allowance_known'), 'technique')
    for name in _CHOICES:
        op.drop_column('technique', name)
    for table in _REMOVABLE:
        op.add_column(table, sa.Column('removed_at', sa.DateTime(timezone=True), nullable=True))
    for table in ('technique', 'standard'):
        op.add_column(table, sa.Column('is_built_in', sa.Boolean(), nullable=False, server_default=sa.true()))
        op.alter_column(table, 'is_built_in', server_default=None)
    op.add_column('airfield', sa.Column('marks', JSONB(), nullable=False, server_default='[]'))
    op.alter_column('airfield', 'marks', server_default=None)
    op.add_column('sortie', sa.Column('wind_source', sa.String(8), nullable=False, server_default='hand'))
    op.alter_column('sortie', 'wind_source', server_default=None)
    op.create_check_constraint(
        op.f('ck_sortie_wind_source_known'), 'sortie', "wind_source in ('hand', 'report', 'sock')"
    )
    op.add_column('sortie', sa.Column('planned_time', sa.Time(), nullable=True))
    op.add_column('sortie', sa.Column('booked_min', sa.Float(), nullable=False, server_default='60'))
    op.alter_column('sortie', 'booked_min', server_default=None)
    op.add_column('sortie', sa.Column('fuel_gal', sa.Float(), nullable=True))
    op.add_column('sortie', sa.Column('lap_plan', JSONB(none_as_null=True), nullable=True))
    op.drop_constraint(op.f('ck_sortie_landing_known'), 'sortie')
    op.create_check_constraint(op.f('ck_sortie_landing_known'), 'sortie', _AFTER)


def downgrade() -> None:
    op.drop_constraint(op.f('ck_sortie_landing_known'), 'sortie')
    op.execute(f"update sortie set landing = 'normal' where not ({_BEFORE})")  # noqa: S608  (a text of ours)
    op.create_check_constraint(op.f('ck_sortie_landing_known'), 'sortie', _BEFORE)
    op.drop_constraint(op.f('ck_sortie_wind_source_known'), 'sortie')
    for name in ('lap_plan', 'fuel_gal', 'booked_min', 'planned_time', 'wind_source'):
        op.drop_column('sortie', name)
    op.drop_column('airfield', 'marks')
    for table in ('technique', 'standard'):
        op.drop_column(table, 'is_built_in')
    for table in _REMOVABLE:
        op.drop_column(table, 'removed_at')
    for name, (kind, usual) in _CHOICES.items():
        op.add_column('technique', sa.Column(name, kind, nullable=False, server_default=usual))
        op.alter_column('technique', name, server_default=None)
        value = f"(spec->>'{name}')" + ('::boolean' if name == 'weight_scaling' else '')
        op.execute(f'update technique set {name} = coalesce({value}, {name})')  # noqa: S608  (names of ours)
    op.create_check_constraint(
        op.f('ck_technique_gust_allowance_known'), 'technique', "gust_allowance in ('half', 'none')"
    )
    op.drop_column('technique', 'spec')
