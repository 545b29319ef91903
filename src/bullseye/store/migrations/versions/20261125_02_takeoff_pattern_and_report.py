"""A sortie keeps its takeoff, its pattern and the weather report; a technique the choices these bring.

Revision ID: 20261125_02
Revises: 20261124_01
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = '20261125_02'
down_revision = '20261124_01'
branch_labels = None
depends_on = None

_CHOICES = {
    'correction_set': 'common',
    'lift_off': 'fly_off',
    'first_turn': 'tpa_less_300',
    'power_off_shape': 'arc',
}


def upgrade() -> None:
    op.add_column('sortie', sa.Column('takeoff', sa.String(16), nullable=False, server_default='normal'))
    op.alter_column('sortie', 'takeoff', server_default=None)
    op.add_column('sortie', sa.Column('pattern', JSONB(none_as_null=True), nullable=True))
    op.add_column('sortie', sa.Column('metar', sa.String(600), nullable=True))
    op.create_check_constraint(
        op.f('ck_sortie_takeoff_known'), 'sortie', "takeoff in ('normal', 'crosswind', 'short_field', 'soft_field')"
    )
    for name, usual in _CHOICES.items():
        op.add_column('technique', sa.Column(name, sa.String(16), nullable=False, server_default=usual))
        op.alter_column('technique', name, server_default=None)


def downgrade() -> None:
    for name in _CHOICES:
        op.drop_column('technique', name)
    op.drop_constraint(op.f('ck_sortie_takeoff_known'), 'sortie')
    for name in ('metar', 'pattern', 'takeoff'):
        op.drop_column('sortie', name)
