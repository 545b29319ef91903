"""What was practised on the ground.

Revision ID: 20261202_29
Revises: 20261202_28
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB, UUID

revision = '20261202_29'
down_revision = '20261202_28'
branch_labels = None
depends_on = None
_HERE = "nullif(current_setting('bullseye.school', true), '')::integer"
_EVERY = "current_setting('bullseye.every', true) = 'on'"


def upgrade() -> None:
    """Nobody has practised yet."""
    op.create_table(
        'practice',
        sa.Column('school_id', sa.Integer(), nullable=False),
        sa.Column('id', UUID(), nullable=False),
        sa.Column('person_id', sa.Integer(), nullable=False),
        sa.Column('drill', sa.String(16), nullable=False),
        sa.Column('practised_at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('figure', sa.Float(), nullable=False),
        sa.Column('low', sa.Float(), nullable=False),
        sa.Column('high', sa.Float(), nullable=False),
        sa.Column('items', sa.Integer(), nullable=False),
        sa.Column('conditions', JSONB(), nullable=False),
        sa.Column('answers', JSONB(), nullable=False),
        sa.ForeignKeyConstraint(
            ['school_id'], ['school.id'], name=op.f('fk_practice_school_id_school'), ondelete='CASCADE'
        ),
        sa.ForeignKeyConstraint(
            ['school_id', 'person_id'],
            ['user_account.school_id', 'user_account.id'],
            name=op.f('fk_practice_school_id_person_id_user_account'),
            ondelete='RESTRICT',
        ),
        sa.CheckConstraint("drill in ('path', 'roundout')", name=op.f('ck_practice_drill_known')),
        sa.CheckConstraint(
            "practised_at >= timestamp with time zone '2000-01-01 00:00:00+00' "
            "and practised_at < timestamp with time zone '2100-01-01 00:00:00+00'",
            name=op.f('ck_practice_practised_at_in_range'),
        ),
        sa.PrimaryKeyConstraint('school_id', 'id', name=op.f('pk_practice')),
    )
    op.create_index(
        'ix_practice_school_id_person_id_practised_at', 'practice', ['school_id', 'person_id', 'practised_at']
    )
    op.execute('alter table practice enable row level security')
    op.execute(f'create policy own_school on practice using (school_id = {_HERE})')
    op.execute(f'create policy every_school on practice using ({_EVERY})')


def downgrade() -> None:
    """Forget what was practised."""
    op.drop_table('practice')
