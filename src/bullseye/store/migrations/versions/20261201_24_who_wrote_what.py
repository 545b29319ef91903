"""Sorties carry a revision, laps who wrote them as they stand; who did what is written by the owner's function alone.

Revision ID: 20261201_24
Revises: 20261201_23
"""

import sqlalchemy as sa
from alembic import op

revision = '20261201_24'
down_revision = '20261201_23'
branch_labels = None
depends_on = None

# name and hour are the database's own: whoever may write as the application cannot date a deed or give it another's name
_NOTE = """
create function note_deed(person integer, of_what text, said text) returns void
language plpgsql security definer set search_path = public as $$
begin
    insert into deed (school_id, done_at, by_id, by_name, what, words)
        select school_id, clock_timestamp(), id, name, of_what, left(said, 400) from user_account
        where id = person and (school_id = nullif(current_setting('bullseye.school', true), '')::integer
            or current_setting('bullseye.every', true) = 'on');
    if not found then raise exception 'nobody of this school did it'; end if;
end $$
"""


def upgrade() -> None:
    """Let the application add to what was done by a function alone."""
    op.add_column('sortie', sa.Column('revision', sa.Integer, nullable=False, server_default='1'))
    op.add_column('lap', sa.Column('written_by', sa.Integer, nullable=True))
    op.execute(_NOTE)
    op.execute('revoke all on function note_deed(integer, text, text) from public')
    op.execute('grant execute on function note_deed(integer, text, text) to bullseye_rows')
    op.execute('revoke insert on deed from bullseye_rows')


def downgrade() -> None:
    """Let it be written in any way again."""
    op.execute('grant insert on deed to bullseye_rows')
    op.execute('drop function note_deed(integer, text, text)')
    op.drop_column('lap', 'written_by')
    op.drop_column('sortie', 'revision')
