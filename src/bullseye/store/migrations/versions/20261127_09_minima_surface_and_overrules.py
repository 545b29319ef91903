"""Minima of the school, the state of the runway, tailwheel landings, and numbers that an instructor set.

Revision ID: 20261127_09
Revises: 20261127_08
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '20261127_09'
down_revision = '20261127_08'
branch_labels = None
depends_on = None

_STATES = "surface_state in ('dry', 'wet', 'long_grass', 'soft', 'snow_or_ice')"

_KINDS = "'normal', 'crosswind', 'short_field', 'soft_field', 'power_off', 'no_flap', 'forward_slip'"


def upgrade() -> None:
    op.drop_constraint(op.f('ck_sortie_landing_known'), 'sortie')
    op.create_check_constraint('landing_known', 'sortie', f"landing in ({_KINDS}, 'three_point', 'wheel_landing')")
    op.add_column('school', sa.Column('least_ceiling_ft', sa.Double(), nullable=False, server_default='1500'))
    op.add_column('school', sa.Column('least_visibility_m', sa.Double(), nullable=False, server_default='5000'))
    op.add_column('school', sa.Column('told_model_version', sa.String(8), nullable=True))
    for column in ('least_ceiling_ft', 'least_visibility_m'):
        op.alter_column('school', column, server_default=None)
    op.add_column('sortie', sa.Column('surface_state', sa.String(12), nullable=False, server_default='dry'))
    op.alter_column('sortie', 'surface_state', server_default=None)
    op.create_check_constraint('surface_state_known', 'sortie', _STATES)
    op.add_column('sortie', sa.Column('overruled', postgresql.JSONB(none_as_null=True), nullable=True))
    op.add_column('lap', sa.Column('aim_flown_ft', sa.Double(), nullable=True))
    op.add_column('lap', sa.Column('overruled', postgresql.JSONB(none_as_null=True), nullable=True))


def downgrade() -> None:
    op.drop_column('lap', 'aim_flown_ft')
    op.execute("update sortie set landing = 'normal' where landing in ('three_point', 'wheel_landing')")
    op.drop_constraint(op.f('ck_sortie_landing_known'), 'sortie')
    op.create_check_constraint('landing_known', 'sortie', f'landing in ({_KINDS})')
    op.drop_column('lap', 'overruled')
    op.drop_column('sortie', 'overruled')
    op.drop_constraint(op.f('ck_sortie_surface_state_known'), 'sortie')
    op.drop_column('sortie', 'surface_state')
    for column in ('told_model_version', 'least_visibility_m', 'least_ceiling_ft'):
        op.drop_column('school', column)
