"""Somebody who is erased goes from the book of deeds too: by one function of the owner's, and in no other way.

Revision ID: 20261201_21
Revises: 20261128_20
"""

from alembic import op

revision = '20261201_21'
down_revision = '20261128_20'
branch_labels = None
depends_on = None

_NEVER_BUT = """
create or replace function keep_what_was_done() returns trigger language plpgsql as $$
begin
    if current_setting('bullseye.erasing', true) = 'on' then return new; end if;
    raise exception 'what was done is never changed';
end $$
"""
_NEVER = """
create or replace function keep_what_was_done() returns trigger language plpgsql as $$
begin raise exception 'what was done is never changed'; end $$
"""
# the application's role may not update deeds, whatever it sets; the function runs as the owner, for its own school
_ERASE = """
create function erase_from_deeds(person integer, old_name text, new_name text, keeps_signed boolean)
returns void language plpgsql security definer set search_path = public as $$
declare here integer := nullif(current_setting('bullseye.school', true), '')::integer;
begin
    perform set_config('bullseye.erasing', 'on', true);
    update deed set by_name = new_name
        where school_id = here and by_id = person and not (keeps_signed and what = 'sign_offs');
    update deed set words = replace(words, old_name, new_name)
        where school_id = here and position(old_name in words) > 0 and not (keeps_signed and what = 'sign_offs');
    perform set_config('bullseye.erasing', '', true);
end $$
"""


def upgrade() -> None:
    """Let an erasure reach the deeds."""
    op.execute(_NEVER_BUT)
    op.execute(_ERASE)
    op.execute('revoke all on function erase_from_deeds(integer, text, text, boolean) from public')
    op.execute('grant execute on function erase_from_deeds(integer, text, text, boolean) to bullseye_rows')


def downgrade() -> None:
    """Change no deed again, not for an erasure either."""
    op.execute('drop function erase_from_deeds(integer, text, text, boolean)')
    op.execute(_NEVER)
