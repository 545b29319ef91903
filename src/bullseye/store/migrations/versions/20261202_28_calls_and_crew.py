"""What is called of a lap beside its marks; whether a sortie is flown alone.

Revision ID: 20261202_28
Revises: 20261202_27
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = '20261202_28'
down_revision = '20261202_27'
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Nothing was called yet, and everybody flew with an instructor."""
    op.add_column('lap', sa.Column('noted', JSONB(none_as_null=True)))
    op.add_column('sortie', sa.Column('alone', sa.Boolean(), nullable=False, server_default=sa.false()))


def downgrade() -> None:
    """Forget both."""
    op.drop_column('lap', 'noted')
    op.drop_column('sortie', 'alone')
