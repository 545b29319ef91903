"""Positions that tablets send count to what a school may keep of recorded flights.

Revision ID: 20261128_19
Revises: 20261128_18
"""

from alembic import op

revision = '20261128_19'
down_revision = '20261128_18'
branch_labels = None
depends_on = None

_COUNT = """
create function count_piece_bytes() returns trigger language plpgsql as $$
begin
    if tg_op = 'INSERT' then
        update school set track_bytes = track_bytes + length(new.raw) where id = new.school_id;
    else
        update school set track_bytes = track_bytes - length(old.raw) where id = old.school_id;
    end if;
    return null;
end $$
"""


def upgrade() -> None:
    """Count what is there, and what comes and goes."""
    op.execute(_COUNT)
    op.execute(
        'update school set track_bytes = track_bytes + kept.bytes from '
        '(select school_id, sum(length(raw)) as bytes from track group by school_id) as kept '
        'where kept.school_id = school.id'
    )
    op.execute(
        'create trigger count_piece_bytes after insert or delete on track '
        'for each row execute function count_piece_bytes()'
    )


def downgrade() -> None:
    """Count recorded files alone."""
    op.execute('drop trigger count_piece_bytes on track')
    op.execute('drop function count_piece_bytes()')
    op.execute(
        'update school set track_bytes = track_bytes - kept.bytes from '
        '(select school_id, sum(length(raw)) as bytes from track group by school_id) as kept '
        'where kept.school_id = school.id'
    )
