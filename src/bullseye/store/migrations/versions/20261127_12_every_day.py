"""Sorties cancelled, removed and brought back; how old their weather is; a secret calendar link for each person.

Revision ID: 20261127_12
Revises: 20261127_11
"""

import sqlalchemy as sa
from alembic import op

revision = '20261127_12'
down_revision = '20261127_11'
branch_labels = None
depends_on = None

_INDEXES = ('instructor_id', 'aircraft_id')


def upgrade() -> None:
    op.add_column('sortie', sa.Column('weather_at', sa.DateTime(timezone=True)))
    op.add_column('sortie', sa.Column('cancelled_for', sa.String(200)))
    op.add_column('sortie', sa.Column('removed_at', sa.DateTime(timezone=True)))
    op.add_column('user_account', sa.Column('calendar_key_hash', sa.String(64)))
    op.create_unique_constraint('uq_user_account_calendar_key_hash', 'user_account', ['calendar_key_hash'])
    # nobody noted when a wind was given: not before the sortie was made
    op.execute('update sortie set weather_at = created_at')
    op.create_check_constraint(
        op.f('ck_sortie_weather_at_in_range'),
        'sortie',
        "weather_at >= timestamptz '2000-01-01T00:00Z' and weather_at < timestamptz '2100-01-01T00:00Z'",
    )
    for column in _INDEXES:
        op.create_index(
            f'ix_sortie_school_id_{column}_planned_on_id', 'sortie', ['school_id', column, 'planned_on', 'id']
        )


def downgrade() -> None:
    for column in _INDEXES:
        op.drop_index(f'ix_sortie_school_id_{column}_planned_on_id', 'sortie')
    op.drop_constraint(op.f('ck_sortie_weather_at_in_range'), 'sortie')
    op.drop_constraint('uq_user_account_calendar_key_hash', 'user_account')
    op.drop_column('user_account', 'calendar_key_hash')
    for column in ('removed_at', 'cancelled_for', 'weather_at'):
        op.drop_column('sortie', column)
