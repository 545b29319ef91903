"""Links know who made them, somebody erased is known as such, and what was signed is never changed or taken away.

Revision ID: 20261201_23
Revises: 20261201_22
"""

import sqlalchemy as sa
from alembic import op

revision = '20261201_23'
down_revision = '20261201_22'
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Keep who made a link and when somebody was erased; the application only adds to what was signed."""
    op.add_column('invitation', sa.Column('issued_by', sa.Integer, nullable=True))
    op.add_column('user_account', sa.Column('erased_at', sa.DateTime(timezone=True), nullable=True))
    op.execute("update user_account set erased_at = now() where login like 'erased.%' and password_hash = '!'")
    op.execute('revoke update, delete, truncate on sign_off from bullseye_rows')
    op.execute('revoke truncate on deed from bullseye_rows')


def downgrade() -> None:
    """Let it be changed again."""
    op.execute('grant update, delete on sign_off to bullseye_rows')
    op.drop_column('user_account', 'erased_at')
    op.drop_column('invitation', 'issued_by')
