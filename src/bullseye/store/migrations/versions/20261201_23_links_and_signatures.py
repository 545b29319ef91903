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

_REPLACED = """
create function signatures_are_replaced() returns void
language sql security definer set search_path = public as $$
    delete from sign_off where school_id = nullif(current_setting('bullseye.school', true), '')::integer;
$$
"""


def upgrade() -> None:
    """Keep who made a link and when somebody was erased; the application only adds to what was signed."""
    op.add_column('invitation', sa.Column('issued_by', sa.Integer, nullable=True))
    op.add_column('user_account', sa.Column('erased_at', sa.DateTime(timezone=True), nullable=True))
    op.execute("update user_account set erased_at = now() where login like 'erased.%' and password_hash = '!'")
    op.execute('revoke update, delete, truncate on sign_off from bullseye_rows')
    op.execute('revoke truncate on deed from bullseye_rows')
    # a school that is taken in whole brings its own signatures: those that were here go by the owner's function alone
    op.execute(_REPLACED)
    op.execute('revoke all on function signatures_are_replaced() from public')
    op.execute('grant execute on function signatures_are_replaced() to bullseye_rows')


def downgrade() -> None:
    """Let it be changed again."""
    op.execute('drop function signatures_are_replaced()')
    op.execute('grant update, delete on sign_off to bullseye_rows')
    op.drop_column('user_account', 'erased_at')
    op.drop_column('invitation', 'issued_by')
