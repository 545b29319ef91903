"""A wind that nobody has given is none, not a calm; and a lap keeps the gust that was read on it.

Revision ID: 20261201_22
Revises: 20261201_21
"""

import sqlalchemy as sa
from alembic import op

revision = '20261201_22'
down_revision = '20261201_21'
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Take the calm away that stood for no wind, and let none come again."""
    op.alter_column('sortie', 'wind_kt', nullable=True)
    op.alter_column('lap', 'briefed_wind_kt', nullable=True)
    op.add_column('lap', sa.Column('gust_kt', sa.Float, nullable=True))
    op.execute(
        """
        update sortie set wind_kt = null, wind_dir_deg_true = null, gust_kt = null where weather_at is null;
        update lap set
            briefed_wind_kt = null, briefed_wind_deg_true = null, briefed_gust_kt = null,
            conditions = nullif(conditions - 'given', '{}'::jsonb)
        where conditions ->> 'given' = 'never';
        update lap set conditions = conditions - 'given' || '{"is_old": true}'::jsonb
        where conditions ->> 'given' = 'old';
        """
    )
    op.create_check_constraint(
        op.f('ck_sortie_no_wind_is_no_calm'), 'sortie', '(wind_kt is null) = (weather_at is null)'
    )
    op.create_check_constraint(op.f('ck_lap_lap_gust_not_below_wind'), 'lap', 'gust_kt is null or gust_kt >= wind_kt')


def downgrade() -> None:
    """Take no wind for a calm again, told as before by when it was given."""
    op.drop_constraint(op.f('ck_lap_lap_gust_not_below_wind'), 'lap')
    op.drop_constraint(op.f('ck_sortie_no_wind_is_no_calm'), 'sortie')
    op.execute(
        """
        update sortie set wind_kt = 0 where wind_kt is null;
        update lap set briefed_wind_kt = 0, conditions = coalesce(conditions, '{}'::jsonb) || '{"given": "never"}'::jsonb
        where briefed_wind_kt is null;
        update lap set conditions = conditions - 'is_old' || '{"given": "old"}'::jsonb where conditions ? 'is_old';
        """
    )
    op.drop_column('lap', 'gust_kt')
    op.alter_column('lap', 'briefed_wind_kt', nullable=False)
    op.alter_column('sortie', 'wind_kt', nullable=False)
