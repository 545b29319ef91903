"""A person chooses the language that is spoken to them.

Revision ID: 20261202_27
Revises: 20261201_26
"""

import sqlalchemy as sa
from alembic import op

revision = '20261202_27'
down_revision = '20261201_26'
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Nobody has chosen yet: the device's language is spoken."""
    op.add_column('user_account', sa.Column('language', sa.String(8)))


def downgrade() -> None:
    """Forget it."""
    op.drop_column('user_account', 'language')
