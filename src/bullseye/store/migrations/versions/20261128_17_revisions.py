"""Aircraft, fields, standards and techniques count their changes, so that nobody writes over what they have not seen.

Revision ID: 20261128_17
Revises: 20261128_16
"""

import sqlalchemy as sa
from alembic import op

revision = '20261128_17'
down_revision = '20261128_16'
branch_labels = None
depends_on = None

_TABLES = ('aircraft', 'airfield', 'standard', 'technique')


def upgrade() -> None:
    """Begin to count."""
    for table in _TABLES:
        op.add_column(table, sa.Column('revision', sa.Integer(), nullable=False, server_default='1'))


def downgrade() -> None:
    """Count no more."""
    for table in _TABLES:
        op.drop_column(table, 'revision')
