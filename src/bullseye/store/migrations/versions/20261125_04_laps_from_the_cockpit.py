"""Laps carry marks, notes, who flew and their revisions; tracks of positions are kept.

Revision ID: 20261125_04
Revises: 20261125_03
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = '20261125_04'
down_revision = '20261125_03'
branch_labels = None
depends_on = None

_OUTCOMES_BEFORE = "outcome in ('full_stop', 'touch_and_go', 'stop_and_go', 'go_around')"
_OUTCOMES = "outcome in ('full_stop', 'touch_and_go', 'stop_and_go', 'go_around', 'low_approach', 'drill')"


def upgrade() -> None:
    for name, empty in (('marks', '[]'), ('writers', '{}')):
        op.add_column('lap', sa.Column(name, JSONB(), nullable=False, server_default=empty))
        op.alter_column('lap', name, server_default=None)
    op.add_column('lap', sa.Column('note', sa.String(200), nullable=True))
    op.add_column('lap', sa.Column('excluded', sa.String(16), nullable=True))
    op.add_column('lap', sa.Column('liftoff_ft', sa.Float(), nullable=True))
    op.add_column('lap', sa.Column('last_device', sa.Uuid(), nullable=True))
    op.add_column('lap', sa.Column('landing', sa.String(16), nullable=True))
    op.execute("update lap set landing = request->>'landing'")
    op.alter_column('lap', 'landing', nullable=False)
    op.add_column('lap', sa.Column('flown_by', sa.String(12), nullable=True))
    op.add_column('lap', sa.Column('revision', sa.Integer(), nullable=False, server_default='1'))
    op.alter_column('lap', 'revision', server_default=None)
    op.create_unique_constraint(op.f('uq_lap_school_id_id'), 'lap', ['school_id', 'id'])
    op.drop_constraint(op.f('ck_lap_outcome_known'), 'lap')
    op.drop_constraint(op.f('ck_lap_go_around_has_no_touchdown'), 'lap')
    op.create_check_constraint(op.f('ck_lap_outcome_known'), 'lap', _OUTCOMES)
    op.create_check_constraint(
        op.f('ck_lap_go_around_has_no_touchdown'),
        'lap',
        "outcome not in ('go_around', 'low_approach', 'drill') or along_ft is null",
    )
    op.create_check_constraint(
        op.f('ck_lap_excluded_known'), 'lap', "excluded in ('gust', 'traffic', 'instructor_flew', 'other')"
    )
    op.create_check_constraint(op.f('ck_lap_flown_by_known'), 'lap', "flown_by in ('student', 'instructor')")
    op.create_table(
        'lap_revision',
        sa.Column('id', sa.Integer(), nullable=False),
        sa.Column('school_id', sa.Integer(), nullable=False),
        sa.Column('lap_id', sa.Uuid(), nullable=False),
        sa.Column('revision', sa.Integer(), nullable=False),
        sa.Column('values', JSONB(none_as_null=True), nullable=False),
        sa.Column('written_by', sa.Integer(), nullable=False),
        sa.Column('kept_at', sa.DateTime(timezone=True), server_default=sa.text('now()'), nullable=False),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_lap_revision')),
        sa.ForeignKeyConstraint(
            ['school_id'], ['school.id'], name=op.f('fk_lap_revision_school_id'), ondelete='CASCADE'
        ),
        sa.ForeignKeyConstraint(
            ['school_id', 'lap_id'],
            ['lap.school_id', 'lap.id'],
            name=op.f('fk_lap_revision_school_id_lap_id'),
            ondelete='CASCADE',
        ),
    )
    op.create_index(op.f('ix_lap_revision_school_id_lap_id'), 'lap_revision', ['school_id', 'lap_id'])
    op.create_table(
        'track',
        sa.Column('school_id', sa.Integer(), nullable=False),
        sa.Column('id', sa.Uuid(), nullable=False),
        sa.Column('sortie_id', sa.Integer(), nullable=False),
        sa.Column('begun_at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('ended_at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('fixes', sa.Integer(), nullable=False),
        sa.Column('raw', sa.LargeBinary(), nullable=False),
        sa.Column('recorded_by', sa.Integer(), nullable=False),
        sa.PrimaryKeyConstraint('school_id', 'id', name=op.f('pk_track')),
        sa.ForeignKeyConstraint(['school_id'], ['school.id'], name=op.f('fk_track_school_id'), ondelete='CASCADE'),
        sa.ForeignKeyConstraint(
            ['school_id', 'sortie_id'],
            ['sortie.school_id', 'sortie.id'],
            name=op.f('fk_track_school_id_sortie_id'),
            ondelete='RESTRICT',
        ),
    )
    op.create_index(op.f('ix_track_school_id_sortie_id'), 'track', ['school_id', 'sortie_id'])
    op.add_column('school', sa.Column('aim_step_ft', sa.Float(), nullable=False, server_default='150'))
    op.alter_column('school', 'aim_step_ft', server_default=None)


def downgrade() -> None:
    op.drop_column('school', 'aim_step_ft')
    op.drop_table('track')
    op.drop_table('lap_revision')
    op.execute("update lap set outcome = 'go_around' where outcome in ('low_approach', 'drill')")
    for name in ('outcome_known', 'go_around_has_no_touchdown', 'excluded_known', 'flown_by_known'):
        op.drop_constraint(op.f(f'ck_lap_{name}'), 'lap')
    op.create_check_constraint(op.f('ck_lap_outcome_known'), 'lap', _OUTCOMES_BEFORE)
    op.create_check_constraint(
        op.f('ck_lap_go_around_has_no_touchdown'), 'lap', "outcome <> 'go_around' or along_ft is null"
    )
    op.drop_constraint(op.f('uq_lap_school_id_id'), 'lap')
    for name in ('marks', 'writers', 'note', 'excluded', 'flown_by', 'revision'):
        op.drop_column('lap', name)
