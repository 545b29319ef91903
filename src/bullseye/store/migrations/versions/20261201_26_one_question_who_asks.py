"""Who a cookie belongs to is one question, whose answer also tells the transaction its school.

Revision ID: 20261201_26
Revises: 20261201_25
"""

from alembic import op

revision = '20261201_26'
down_revision = '20261201_25'
branch_labels = None
depends_on = None

# as the owner: before it is answered nobody knows of which school the question is
_WHO = """
create function person_of_cookie(
    person integer, epoch integer, of_sign_in uuid, at timestamptz, idle interval, seen_every interval
) returns table (who user_account, asks text)
language plpgsql security definer set search_path = public as $$
declare seen timestamptz;
begin
    select * into who from user_account u where u.id = person and u.is_active and u.session_epoch = epoch;
    if not found then return; end if;
    select s.seen_at into seen from sign_in s
        where s.school_id = who.school_id and s.id = of_sign_in and s.person_id = person and s.ended_at is null;
    if not found or seen < at - idle then return; end if;
    if seen < at - seen_every then
        update sign_in s set seen_at = at where s.school_id = who.school_id and s.id = of_sign_in;
    end if;
    select c.second_factor into asks from school c where c.id = who.school_id;
    perform set_config('bullseye.school', who.school_id::text, true), set_config('bullseye.every', '', true);
    return next;
end $$
"""
_ARGUMENTS = 'integer, integer, uuid, timestamptz, interval, interval'


def upgrade() -> None:
    """Let the application ask it."""
    op.execute(_WHO)
    op.execute(f'revoke all on function person_of_cookie({_ARGUMENTS}) from public')
    op.execute(f'grant execute on function person_of_cookie({_ARGUMENTS}) to bullseye_rows')


def downgrade() -> None:
    """Ask in three."""
    op.execute(f'drop function person_of_cookie({_ARGUMENTS})')
