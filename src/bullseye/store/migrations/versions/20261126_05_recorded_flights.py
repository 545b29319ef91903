"""Recorded flights are kept, their work queued; laps may hold several readings and have a runway of their own.

Revision ID: 20261126_05
Revises: 20261125_04
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = '20261126_05'
down_revision = '20261125_04'
branch_labels = None
depends_on = None

_STATES = "state in ('waiting', 'working', 'done', 'refused', 'columns')"
_DROP_QUEUE = """
do $$
declare one record;
begin
    for one in select c.oid::regclass as name from pg_class c
        where c.relname like 'procrastinate%' and c.relkind = 'r' and c.relnamespace = 'public'::regnamespace
    loop execute format('drop table if exists %s cascade', one.name); end loop;
    for one in select p.oid::regprocedure as name from pg_proc p
        where p.proname like 'procrastinate%' and p.pronamespace = 'public'::regnamespace
    loop execute format('drop function if exists %s cascade', one.name); end loop;
    for one in select t.oid::regtype as name from pg_type t
        where t.typname like 'procrastinate%' and t.typtype in ('e', 'c') and t.typnamespace = 'public'::regnamespace
    loop execute format('drop type if exists %s cascade', one.name); end loop;
end $$
"""


def _key_to(table: str, column: str, other: str) -> sa.ForeignKeyConstraint:
    return sa.ForeignKeyConstraint(
        ['school_id', column],
        [f'{other}.school_id', f'{other}.id'],
        name=op.f(f'fk_{table}_school_id_{column}'),
        ondelete='RESTRICT',
    )


def upgrade() -> None:
    # many statements at once: only the driver's own cursor takes them
    from procrastinate.schema import SchemaManager  # here: every start reads the migrations, few run them

    op.get_bind().connection.cursor().execute(SchemaManager.get_schema())
    op.create_table(
        'track_file',
        sa.Column('school_id', sa.Integer(), nullable=False),
        sa.Column('id', sa.Uuid(), nullable=False),
        sa.Column('name', sa.String(120), nullable=False),
        sa.Column('size', sa.Integer(), nullable=False),
        sa.Column('digest', sa.String(64), nullable=False),
        sa.Column('raw', sa.LargeBinary(), nullable=True),
        sa.Column('state', sa.String(8), nullable=False),
        sa.Column('progress', sa.String(80), nullable=False),
        sa.Column('problem', sa.String(400), nullable=True),
        sa.Column('attempts', sa.Integer(), nullable=False),
        sa.Column('format', sa.String(8), nullable=True),
        sa.Column('device', sa.String(240), nullable=True),
        sa.Column('columns', JSONB(), nullable=True),
        sa.Column('begun_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('ended_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('dated', sa.Boolean(), nullable=True),
        sa.Column('fixes', sa.Integer(), nullable=True),
        sa.Column('report', JSONB(), nullable=True),
        sa.Column('log', sa.LargeBinary(), nullable=True),
        sa.Column('laps', sa.Integer(), nullable=True),
        sa.Column('warnings', JSONB(), nullable=False),
        sa.Column('aircraft_id', sa.Integer(), nullable=True),
        sa.Column('sortie_id', sa.Integer(), nullable=True),
        sa.Column('uploaded_by', sa.Integer(), nullable=False),
        sa.Column('created_at', sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.Column('removed_at', sa.DateTime(timezone=True), nullable=True),
        sa.PrimaryKeyConstraint('school_id', 'id', name=op.f('pk_track_file')),
        sa.ForeignKeyConstraint(['school_id'], ['school.id'], name=op.f('fk_track_file_school_id'), ondelete='CASCADE'),
        _key_to('track_file', 'sortie_id', 'sortie'),
        _key_to('track_file', 'aircraft_id', 'aircraft'),
        _key_to('track_file', 'uploaded_by', 'user_account'),
        sa.CheckConstraint(_STATES, name=op.f('ck_track_file_state_known')),
    )
    for column in ('begun_at', 'sortie_id', 'digest'):
        op.create_index(op.f(f'ix_track_file_school_id_{column}'), 'track_file', ['school_id', column])
    op.create_table(
        'csv_columns',
        sa.Column('school_id', sa.Integer(), nullable=False),
        sa.Column('id', sa.Integer(), nullable=False),
        sa.Column('device', sa.String(240), nullable=False),
        sa.Column('columns', JSONB(), nullable=False),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_csv_columns')),
        sa.UniqueConstraint('school_id', 'device', name=op.f('uq_csv_columns_school_id_device')),
        sa.ForeignKeyConstraint(
            ['school_id'], ['school.id'], name=op.f('fk_csv_columns_school_id'), ondelete='CASCADE'
        ),
    )
    op.add_column('lap', sa.Column('readings', JSONB(), nullable=False, server_default='{}'))
    op.alter_column('lap', 'readings', server_default=None)
    op.add_column('lap', sa.Column('track_file_id', sa.Uuid(), nullable=True))
    op.add_column('lap', sa.Column('track_event', sa.Integer(), nullable=True))
    op.add_column('lap', sa.Column('runway_end_id', sa.Integer(), nullable=True))
    op.execute(
        'update lap set runway_end_id = sortie.runway_end_id from sortie '
        'where sortie.school_id = lap.school_id and sortie.id = lap.sortie_id'
    )
    op.alter_column('lap', 'runway_end_id', nullable=False)
    for column, other in (('track_file_id', 'track_file'), ('runway_end_id', 'runway_end')):
        op.create_foreign_key(
            op.f(f'fk_lap_school_id_{column}'),
            'lap',
            other,
            ['school_id', column],
            ['school_id', 'id'],
            ondelete='RESTRICT',
        )
    op.create_index(op.f('ix_lap_school_id_track_file_id'), 'lap', ['school_id', 'track_file_id'])


def downgrade() -> None:
    op.drop_index(op.f('ix_lap_school_id_track_file_id'), 'lap')
    for column in ('runway_end_id', 'track_file_id'):
        op.drop_constraint(op.f(f'fk_lap_school_id_{column}'), 'lap')
    for column in ('runway_end_id', 'track_event', 'track_file_id', 'readings'):
        op.drop_column('lap', column)
    op.drop_table('csv_columns')
    op.drop_table('track_file')
    op.execute(_DROP_QUEUE)
