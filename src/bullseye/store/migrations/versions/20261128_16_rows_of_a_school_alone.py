"""The database itself keeps schools apart: the application is an ordinary role that sees the rows of one school.

A session says in ``bullseye.school`` which school it is of, or in ``bullseye.every`` that it may see all: to sign
somebody in, before a school is known, and for the background work. One that says neither sees nothing.

Revision ID: 20261128_16
Revises: 20261127_15
"""

from alembic import op

revision = '20261128_16'
down_revision = '20261127_15'
branch_labels = None
depends_on = None

_ROLE = """
do $$ begin
    if not exists (select 1 from pg_roles where rolname = 'bullseye_rows') then
        create role bullseye_rows nologin;
    end if;
exception
    when duplicate_object or unique_violation then null;
end $$
"""
_OWNED = (
    *('user_account', 'invitation', 'aircraft', 'airfield', 'runway_end', 'technique', 'standard', 'sortie', 'version'),
    *('lap', 'population_snapshot', 'lap_revision', 'track', 'track_file', 'csv_columns', 'sign_in', 'deed'),
    *('exercise', 'exercise_note', 'sign_off', 'homework', 'log_entry', 'standing'),
)
_HERE = "nullif(current_setting('bullseye.school', true), '')::integer"
_EVERY = "current_setting('bullseye.every', true) = 'on'"


def upgrade() -> None:
    """Let rows be seen by their school alone."""
    op.execute(_ROLE)
    op.execute('grant usage on schema public to bullseye_rows')
    op.execute('grant select, insert, update, delete on all tables in schema public to bullseye_rows')
    op.execute('grant usage, select on all sequences in schema public to bullseye_rows')
    op.execute(
        'alter default privileges in schema public grant select, insert, update, delete on tables to bullseye_rows'
    )
    op.execute('alter default privileges in schema public grant usage, select on sequences to bullseye_rows')
    # what the application never does, its role cannot
    op.execute('revoke insert, update, delete on alembic_version from bullseye_rows')
    op.execute('revoke update, delete on deed from bullseye_rows')
    for table, column in (('school', 'id'), *((table, 'school_id') for table in _OWNED)):
        op.execute(f'alter table {table} enable row level security')
        op.execute(f'create policy own_school on {table} using ({column} = {_HERE})')
        op.execute(f'create policy every_school on {table} using ({_EVERY})')


def downgrade() -> None:
    """Show all rows to whoever may read the tables."""
    for table in ('school', *_OWNED):
        op.execute(f'drop policy own_school on {table}')
        op.execute(f'drop policy every_school on {table}')
        op.execute(f'alter table {table} disable row level security')
    op.execute('revoke all on all tables in schema public from bullseye_rows')
    op.execute('revoke all on all sequences in schema public from bullseye_rows')
    op.execute('revoke usage on schema public from bullseye_rows')
    op.execute('alter default privileges in schema public revoke all on tables from bullseye_rows')
    op.execute('alter default privileges in schema public revoke all on sequences from bullseye_rows')
