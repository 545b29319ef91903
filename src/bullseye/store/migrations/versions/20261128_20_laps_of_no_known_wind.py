"""Laps of sorties whose wind nobody has ever given are told apart from those flown in a calm, and teach nothing.

Revision ID: 20261128_20
Revises: 20261128_19
"""

from alembic import op

revision = '20261128_20'
down_revision = '20261128_19'
branch_labels = None
depends_on = None

_TOLD_APART = """
update lap set
    conditions = coalesce(lap.conditions, '{}'::jsonb) || '{"given": "never"}'::jsonb,
    flown = case when lap.wind_kt is null then null else lap.flown end
from sortie
where sortie.school_id = lap.school_id and sortie.id = lap.sortie_id and sortie.weather_at is null
"""


def upgrade() -> None:
    """Say so of the laps there are; one whose own wind was read goes on teaching."""
    op.execute(_TOLD_APART)


def downgrade() -> None:
    """Take it for a calm again, as it was before; what such laps teach is worked out with the next model."""
    op.execute("update lap set conditions = nullif(conditions - 'given', '{}'::jsonb) where conditions ? 'given'")
