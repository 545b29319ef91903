"""The surface, the swing of the wind and the weather that a lap was flown in, kept with it.

Revision ID: 20261127_10
Revises: 20261127_09
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '20261127_10'
down_revision = '20261127_09'
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column('lap', sa.Column('conditions', postgresql.JSONB(none_as_null=True), nullable=True))
    # laps that there are were flown on the surface that their sortie tells
    op.execute(
        "update lap set conditions = jsonb_build_object('surface_state', sortie.surface_state) from sortie "
        "where sortie.school_id = lap.school_id and sortie.id = lap.sortie_id and sortie.surface_state <> 'dry'"
    )


def downgrade() -> None:
    op.drop_column('lap', 'conditions')
