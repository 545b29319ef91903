"""What somebody was called before is known, and an erasure takes every name of theirs, and their number, from the deeds.

Revision ID: 20261201_25
Revises: 20261201_24
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = '20261201_25'
down_revision = '20261201_24'
branch_labels = None
depends_on = None

# the application's role may not update deeds, whatever it sets; the function runs as the owner, for its own school
_ERASE = """
create function erase_from_deeds(person integer, names text[], stand_in text, keeps_signed boolean)
returns void language plpgsql security definer set search_path = public as $$
declare
    here integer := nullif(current_setting('bullseye.school', true), '')::integer;
    one text;
begin
    perform set_config('bullseye.erasing', 'on', true);
    foreach one in array names loop
        one := regexp_replace(one, '([^[:alnum:][:space:]])', '\\\\\\1', 'g');
        update deed set words = regexp_replace(words, one, stand_in, 'gi')
            where school_id = here and words ~* one and not (keeps_signed and what = 'sign_offs');
    end loop;
    update deed set by_name = stand_in, by_id = null, words = case when what = 'sign_in' then 'Signed in.' else words end
        where school_id = here and by_id = person and not (keeps_signed and what = 'sign_offs');
    perform set_config('bullseye.erasing', '', true);
end $$
"""
_BEFORE = """
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
    """Keep former names, and let an erasure reach all of them."""
    op.add_column('user_account', sa.Column('former_names', JSONB, nullable=False, server_default='[]'))
    op.execute('drop function erase_from_deeds(integer, text, text, boolean)')
    op.execute(_ERASE)
    op.execute('revoke all on function erase_from_deeds(integer, text[], text, boolean) from public')
    op.execute('grant execute on function erase_from_deeds(integer, text[], text, boolean) to bullseye_rows')


def downgrade() -> None:
    """Reach the last name only."""
    op.execute('drop function erase_from_deeds(integer, text[], text, boolean)')
    op.execute(_BEFORE)
    op.execute('revoke all on function erase_from_deeds(integer, text, text, boolean) from public')
    op.execute('grant execute on function erase_from_deeds(integer, text, text, boolean) to bullseye_rows')
    op.drop_column('user_account', 'former_names')
