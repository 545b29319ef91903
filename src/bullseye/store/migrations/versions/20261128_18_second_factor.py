"""A second factor of a sign-in, and whom a school asks for one.

Revision ID: 20261128_18
Revises: 20261128_17
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '20261128_18'
down_revision = '20261128_17'
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Add what is kept of it; nobody has one yet."""
    op.add_column('user_account', sa.Column('totp_secret', sa.String(300), nullable=True))
    op.add_column('user_account', sa.Column('totp_pending', sa.String(300), nullable=True))
    op.add_column('user_account', sa.Column('totp_step', sa.BigInteger(), nullable=True))
    op.add_column('user_account', sa.Column('recovery_codes', postgresql.JSONB(), nullable=False, server_default='[]'))
    op.add_column('school', sa.Column('second_factor', sa.String(10), nullable=False, server_default='nobody'))
    op.create_check_constraint(
        op.f('ck_school_second_factor_known'), 'school', "second_factor in ('nobody', 'teachers', 'everybody')"
    )


def downgrade() -> None:
    """Take it away."""
    op.drop_constraint(op.f('ck_school_second_factor_known'), 'school')
    op.drop_column('school', 'second_factor')
    for name in ('recovery_codes', 'totp_step', 'totp_pending', 'totp_secret'):
        op.drop_column('user_account', name)
