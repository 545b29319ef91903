"""Sign-ins that can be ended, links that set a password anew, and the book of who did what.

Revision ID: 20261127_15
Revises: 20261127_14
"""

import sqlalchemy as sa
from alembic import op

revision = '20261127_15'
down_revision = '20261127_14'
branch_labels = None
depends_on = None

_NEVER = """
create function keep_what_was_done() returns trigger language plpgsql as $$
begin
    raise exception 'what was done is never changed';
end $$
"""


def upgrade() -> None:
    """Make the tables."""
    op.create_table(
        'sign_in',
        sa.Column('school_id', sa.Integer(), nullable=False),
        sa.Column('id', sa.Uuid(), nullable=False),
        sa.Column('person_id', sa.Integer(), nullable=False),
        sa.Column('device', sa.String(200), nullable=False),
        sa.Column('begun_at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('seen_at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('ended_at', sa.DateTime(timezone=True), nullable=True),
        sa.ForeignKeyConstraint(
            ['school_id'], ['school.id'], name=op.f('fk_sign_in_school_id_school'), ondelete='CASCADE'
        ),
        sa.ForeignKeyConstraint(
            ['school_id', 'person_id'],
            ['user_account.school_id', 'user_account.id'],
            name=op.f('fk_sign_in_school_id_person_id_user_account'),
            ondelete='RESTRICT',
        ),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_sign_in')),
    )
    op.create_index(op.f('ix_sign_in_school_id_person_id_seen_at'), 'sign_in', ['school_id', 'person_id', 'seen_at'])
    op.create_table(
        'deed',
        sa.Column('id', sa.BigInteger(), nullable=False),
        sa.Column('school_id', sa.Integer(), nullable=False),
        sa.Column('done_at', sa.DateTime(timezone=True), nullable=False, server_default=sa.func.now()),
        sa.Column('by_id', sa.Integer(), nullable=True),
        sa.Column('by_name', sa.String(80), nullable=False),
        sa.Column('what', sa.String(24), nullable=False),
        sa.Column('words', sa.String(400), nullable=False),
        sa.ForeignKeyConstraint(
            ['school_id'], ['school.id'], name=op.f('fk_deed_school_id_school'), ondelete='CASCADE'
        ),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_deed')),
    )
    op.create_index(op.f('ix_deed_school_id_id'), 'deed', ['school_id', 'id'])
    op.create_index('ix_deed_what', 'deed', ['school_id', 'what', 'id'])
    op.execute(_NEVER)
    op.execute(
        'create trigger keep_what_was_done before update on deed for each row execute function keep_what_was_done()'
    )
    op.add_column('invitation', sa.Column('person_id', sa.Integer(), nullable=True))
    op.add_column('invitation', sa.Column('withdrawn_at', sa.DateTime(timezone=True), nullable=True))


def downgrade() -> None:
    """Take them away."""
    op.drop_column('invitation', 'withdrawn_at')
    op.drop_column('invitation', 'person_id')
    op.drop_table('deed')
    op.execute('drop function keep_what_was_done()')
    op.drop_table('sign_in')
