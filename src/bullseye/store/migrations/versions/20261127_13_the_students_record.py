"""The student's record: syllabus, notes, sign-offs, homework, logbook, and where each one stands.

Revision ID: 20261127_13
Revises: 20261127_12
"""

from typing import Any

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '20261127_13'
down_revision = '20261127_12'
branch_labels = None
depends_on = None

_JSON = postgresql.JSONB()


def _moment(name: str, *, nullable: bool = True, default: Any = None) -> sa.Column[Any]:
    return sa.Column(name, sa.DateTime(timezone=True), nullable=nullable, server_default=default)


def _school() -> sa.Column[Any]:
    return sa.Column('school_id', sa.Integer(), nullable=False)


def _of_school(table: str) -> sa.ForeignKeyConstraint:
    return sa.ForeignKeyConstraint(
        ['school_id'], ['school.id'], name=op.f(f'fk_{table}_school_id_school'), ondelete='CASCADE'
    )


def _points_at(table: str, other: str, column: str) -> sa.ForeignKeyConstraint:
    return sa.ForeignKeyConstraint(
        ['school_id', column],
        [f'{other}.school_id', f'{other}.id'],
        name=op.f(f'fk_{table}_school_id_{column}_{other}'),
        ondelete='RESTRICT',
    )


def _check(table: str, name: str, rule: str) -> sa.CheckConstraint:
    return sa.CheckConstraint(rule, name=op.f(f'ck_{table}_{name}'))


def _in_range(table: str, column: str, of: str, end: str) -> sa.CheckConstraint:
    rule = f"{column} >= {of} '2000-01-01{end}' and {column} < {of} '2100-01-01{end}'"
    return _check(table, f'{column}_in_range', rule)


_FORGET = """
create function forget_standing() returns trigger language plpgsql as $$
begin
    if tg_op <> 'INSERT' then
        delete from standing where school_id = old.school_id and student_id = old.student_id and landing = old.landing;
    end if;
    if tg_op <> 'DELETE' then
        delete from standing where school_id = new.school_id and student_id = new.student_id and landing = new.landing;
    end if;
    return null;
end $$
"""
_SIGNED = """
create function keep_what_was_signed() returns trigger language plpgsql as $$
begin
    raise exception 'what was signed is never changed: sign a correction';
end $$
"""


def upgrade() -> None:
    op.add_column('school', sa.Column('needed_chance', sa.Float(), nullable=False, server_default='0.8'))
    op.add_column('school', sa.Column('stale_days', sa.Integer(), nullable=False, server_default='30'))
    op.add_column('school', sa.Column('currency_rules', _JSON, nullable=False, server_default='["three_in_90"]'))
    op.create_table(
        'exercise',
        sa.Column('id', sa.Integer(), nullable=False),
        sa.Column('code', sa.String(40), nullable=False),
        sa.Column('position', sa.Integer(), nullable=False),
        sa.Column('spec', _JSON, nullable=False),
        _moment('removed_at'),
        _school(),
        _of_school('exercise'),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_exercise')),
        sa.UniqueConstraint('school_id', 'code', name=op.f('uq_exercise_school_id_code')),
    )
    op.create_table(
        'exercise_note',
        sa.Column('id', sa.Integer(), nullable=False),
        sa.Column('student_id', sa.Integer(), nullable=False),
        sa.Column('code', sa.String(40), nullable=False),
        sa.Column('noted', sa.String(12), nullable=False),
        sa.Column('noted_on', sa.Date(), nullable=False),
        sa.Column('noted_by', sa.Integer(), nullable=False),
        sa.Column('sortie_id', sa.Integer()),
        sa.Column('words', sa.String(400)),
        _moment('removed_at'),
        _school(),
        _check('exercise_note', 'noted_known', "noted in ('introduced', 'practised')"),
        _in_range('exercise_note', 'noted_on', 'date', ''),
        _of_school('exercise_note'),
        _points_at('exercise_note', 'user_account', 'student_id'),
        _points_at('exercise_note', 'user_account', 'noted_by'),
        _points_at('exercise_note', 'sortie', 'sortie_id'),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_exercise_note')),
    )
    op.create_index(
        'ix_exercise_note_school_id_student_id_code_noted_on',
        'exercise_note',
        ['school_id', 'student_id', 'code', 'noted_on'],
    )
    op.create_table(
        'sign_off',
        _school(),
        sa.Column('id', sa.Uuid(), nullable=False),
        sa.Column('student_id', sa.Integer(), nullable=False),
        sa.Column('kind', sa.String(16), nullable=False),
        sa.Column('code', sa.String(40)),
        sa.Column('aircraft_id', sa.Integer()),
        sa.Column('words', sa.String(400), nullable=False),
        sa.Column('standard', sa.String(80)),
        sa.Column('edition', sa.String(80)),
        sa.Column('evidence', _JSON, nullable=False),
        sa.Column('valid_until', sa.Date()),
        sa.Column('corrects', sa.Uuid()),
        sa.Column('signed_by', sa.Integer(), nullable=False),
        _moment('signed_at', nullable=False),
        _check(
            'sign_off',
            'kind_known',
            "kind in ('exercise', 'first_solo', 'check_out', 'recommendation', 'correction')",
        ),
        _in_range('sign_off', 'signed_at', 'timestamptz', 'T00:00Z'),
        _of_school('sign_off'),
        _points_at('sign_off', 'user_account', 'student_id'),
        _points_at('sign_off', 'user_account', 'signed_by'),
        _points_at('sign_off', 'aircraft', 'aircraft_id'),
        sa.PrimaryKeyConstraint('school_id', 'id', name=op.f('pk_sign_off')),
    )
    op.create_index('ix_sign_off_school_id_student_id_signed_at', 'sign_off', ['school_id', 'student_id', 'signed_at'])
    op.create_table(
        'homework',
        sa.Column('id', sa.Integer(), nullable=False),
        sa.Column('student_id', sa.Integer(), nullable=False),
        sa.Column('kind', sa.String(8), nullable=False),
        sa.Column('words', sa.String(400), nullable=False),
        sa.Column('fault', sa.String(24)),
        sa.Column('due_on', sa.Date()),
        sa.Column('set_by', sa.Integer(), nullable=False),
        _moment('set_at', nullable=False, default=sa.text('now()')),
        _moment('done_at'),
        _moment('seen_at'),
        _moment('removed_at'),
        _school(),
        _check('homework', 'kind_known', "kind in ('drill', 'reading', 'flow', 'calls', 'other')"),
        _in_range('homework', 'due_on', 'date', ''),
        _of_school('homework'),
        _points_at('homework', 'user_account', 'student_id'),
        _points_at('homework', 'user_account', 'set_by'),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_homework')),
    )
    op.create_index('ix_homework_school_id_student_id_id', 'homework', ['school_id', 'student_id', 'id'])
    op.create_table(
        'log_entry',
        sa.Column('id', sa.Integer(), nullable=False),
        sa.Column('person_id', sa.Integer(), nullable=False),
        sa.Column('sortie_id', sa.Integer()),
        sa.Column('flown_on', sa.Date(), nullable=False),
        sa.Column('digest', sa.String(64), nullable=False),
        sa.Column('spec', _JSON, nullable=False),
        _moment('created_at', nullable=False, default=sa.text('now()')),
        _moment('removed_at'),
        _school(),
        _in_range('log_entry', 'flown_on', 'date', ''),
        _of_school('log_entry'),
        _points_at('log_entry', 'user_account', 'person_id'),
        _points_at('log_entry', 'sortie', 'sortie_id'),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_log_entry')),
    )
    op.create_index(
        'ix_log_entry_school_id_person_id_flown_on_id', 'log_entry', ['school_id', 'person_id', 'flown_on', 'id']
    )
    op.create_index(
        'uq_log_entry_once',
        'log_entry',
        ['school_id', 'person_id', 'digest'],
        unique=True,
        postgresql_where=sa.text('removed_at is null'),
    )
    op.create_table(
        'standing',
        _school(),
        sa.Column('student_id', sa.Integer(), nullable=False),
        sa.Column('landing', sa.String(16), nullable=False),
        sa.Column('model_version', sa.String(16), nullable=False),
        sa.Column('flown', _JSON, nullable=False),
        sa.Column('laps', sa.Integer(), nullable=False),
        sa.Column('shown', _JSON, nullable=False),
        _moment('made_at', nullable=False, default=sa.text('now()')),
        _of_school('standing'),
        _points_at('standing', 'user_account', 'student_id'),
        sa.PrimaryKeyConstraint('school_id', 'student_id', 'landing', name=op.f('pk_standing')),
    )
    op.execute(_FORGET)
    op.execute(
        'create trigger forget_standing after insert or update or delete on lap '
        'for each row execute function forget_standing()'
    )
    op.execute(_SIGNED)
    op.execute(
        'create trigger keep_what_was_signed before update on sign_off '
        'for each row execute function keep_what_was_signed()'
    )


def downgrade() -> None:
    op.execute('drop trigger forget_standing on lap')
    for table in ('standing', 'log_entry', 'homework', 'sign_off', 'exercise_note', 'exercise'):
        op.drop_table(table)
    op.execute('drop function forget_standing()')
    op.execute('drop function keep_what_was_signed()')
    for name in ('currency_rules', 'stale_days', 'needed_chance'):
        op.drop_column('school', name)
