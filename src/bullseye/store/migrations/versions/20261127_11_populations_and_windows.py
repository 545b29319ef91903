"""What the pilots of a school have in common; the latest of everything by index.

Revision ID: 20261127_11
Revises: 20261127_10
"""

from typing import Any

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '20261127_11'
down_revision = '20261127_10'
branch_labels = None
depends_on = None

_TEACHES = sa.text('removed_at is null and flown is not null')
_NEW: dict[str, tuple[str, list[Any], Any]] = {
    'ix_lap_of_track': ('lap', ['school_id', 'track_file_id'], sa.text('track_file_id is not null')),
    'ix_lap_school_id_student_id_flown_at': ('lap', ['school_id', 'student_id', 'flown_at'], None),
    'ix_lap_teaches_of_aircraft': ('lap', ['school_id', 'aircraft_id', 'flap', 'flown_at'], _TEACHES),
    'ix_lap_teaches_of_pilot': (
        'lap',
        ['school_id', 'student_id', 'aircraft_id', 'flap', 'landing', 'flown_at'],
        _TEACHES,
    ),
    'ix_sortie_school_id_planned_on_id': ('sortie', ['school_id', 'planned_on', 'id'], None),
    'ix_track_file_latest': (
        'track_file',
        ['school_id', sa.text('coalesce(begun_at, created_at)'), 'id'],
        sa.text('removed_at is null'),
    ),
    'ix_track_file_analysed': (
        'track_file',
        ['school_id', 'analysis_version'],
        sa.text("state = 'done' and removed_at is null"),
    ),
    'ix_sortie_school_id_student_id_planned_on_id': ('sortie', ['school_id', 'student_id', 'planned_on', 'id'], None),
}
_TRIGGER = """
create function count_track_bytes() returns trigger language plpgsql as $$
begin
    if tg_op <> 'INSERT' and old.raw is not null then
        update school set track_bytes = track_bytes - old.size where id = old.school_id;
    end if;
    if tg_op <> 'DELETE' and new.raw is not null then
        update school set track_bytes = track_bytes + new.size where id = new.school_id;
    end if;
    return null;
end $$
"""
_OLD = {
    'ix_lap_school_id_track_file_id': ('lap', ['school_id', 'track_file_id']),
    'ix_lap_school_id_student_id_aircraft_id_flap': ('lap', ['school_id', 'student_id', 'aircraft_id', 'flap']),
    'ix_lap_school_id_aircraft_id_flap': ('lap', ['school_id', 'aircraft_id', 'flap']),
    'ix_sortie_school_id_planned_on': ('sortie', ['school_id', 'planned_on']),
    'ix_sortie_school_id_student_id': ('sortie', ['school_id', 'student_id']),
    'ix_track_file_school_id_begun_at': ('track_file', ['school_id', 'begun_at']),
}


def upgrade() -> None:
    op.create_table(
        'population_snapshot',
        sa.Column('school_id', sa.Integer(), nullable=False),
        sa.Column('number', sa.Integer(), nullable=False),
        sa.Column('model_version', sa.String(length=16), nullable=False),
        sa.Column('made_at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('kinds', postgresql.JSONB(), nullable=False),
        sa.ForeignKeyConstraint(
            ['school_id'], ['school.id'], name=op.f('fk_population_snapshot_school_id_school'), ondelete='CASCADE'
        ),
        sa.PrimaryKeyConstraint('school_id', 'number', name=op.f('pk_population_snapshot')),
    )
    for name, (table, columns, where) in _NEW.items():
        op.create_index(name, table, columns, postgresql_where=where)
    for name, (table, _) in _OLD.items():
        op.drop_index(name, table)
    op.add_column('school', sa.Column('track_bytes', sa.BigInteger(), nullable=False, server_default='0'))
    op.execute(
        'update school set track_bytes = kept.bytes from (select school_id, sum(size) as bytes from track_file '
        'where raw is not null group by school_id) as kept where kept.school_id = school.id'
    )
    op.execute(_TRIGGER)
    op.execute(
        'create trigger count_track_bytes after insert or delete or update of raw, size on track_file '
        'for each row execute function count_track_bytes()'
    )


def downgrade() -> None:
    op.execute('drop trigger count_track_bytes on track_file')
    op.execute('drop function count_track_bytes()')
    op.drop_column('school', 'track_bytes')
    for name, (table, columns) in _OLD.items():
        op.create_index(name, table, columns)
    for name, (table, _, _) in _NEW.items():
        op.drop_index(name, table)
    op.drop_table('population_snapshot')
