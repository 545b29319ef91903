"""Wind is kept true; what laps were flown by is kept once, as versions named by their content.

Revision ID: 20261127_07
Revises: 20261127_06
"""

import hashlib
import json
import uuid

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = '20261127_07'
down_revision = '20261127_06'
branch_labels = None
depends_on = None

_KINDS = ('aircraft', 'runway', 'standard', 'technique')
_NEVER_CHANGED = """
create function version_never_changes() returns trigger language plpgsql as $$
begin raise exception 'a version is never changed'; end $$;
create trigger never_changed before update on version for each row execute function version_never_changes();
"""
_NUMBERS = (
    ('weight_lb', "request->>'weight_lb'", False),
    ('spot_ft', "request->>'spot_ft'", False),
    ('aim_point_ft', "request->>'aim_point_ft'", True),
    ('approach_speed_kias', "request->>'approach_speed_kias'", True),
    ('briefed_wind_kt', "request->'weather'->>'wind_kt'", False),
    ('briefed_gust_kt', "request->'weather'->>'gust_kt'", True),
    ('temperature_c', "request->'weather'->>'temperature_c'", False),
    ('qnh_hpa', "request->'weather'->>'qnh_hpa'", False),
    ('school_crosswind_limit_kt', "request->>'school_crosswind_limit_kt'", True),
    ('student_crosswind_limit_kt', "request->>'student_crosswind_limit_kt'", True),
)


def _turned(direction: str, by: str) -> str:
    """A direction turned, as it is spoken: above 0 and at most 360."""
    turned = f'(({direction})::numeric + ({by})::numeric)'
    return f'(360 - mod(mod(360 - {turned}, 360) + 360, 360))::float8'


def upgrade() -> None:
    op.create_table(
        'version',
        sa.Column('school_id', sa.Integer(), nullable=False),
        sa.Column('id', sa.Uuid(), nullable=False),
        sa.Column('kind', sa.String(12), nullable=False),
        sa.Column('spec', JSONB(), nullable=False),
        sa.CheckConstraint(
            "kind in ('aircraft', 'runway', 'standard', 'technique')", name=op.f('ck_version_kind_known')
        ),
        sa.ForeignKeyConstraint(['school_id'], ['school.id'], name=op.f('fk_version_school_id'), ondelete='CASCADE'),
        sa.PrimaryKeyConstraint('school_id', 'id', name=op.f('pk_version')),
    )
    op.execute(_NEVER_CHANGED)
    _sorties_up()
    _laps_up()
    op.add_column('track_file', sa.Column('analysis_version', sa.String(16), nullable=True))
    op.execute("update track_file set analysis_version = '1' where report is not null")


def _sorties_up() -> None:
    op.add_column('sortie', sa.Column('wind_dir_deg_true', sa.Float(), nullable=True))
    op.add_column('sortie', sa.Column('wind_reference', sa.String(8), nullable=False, server_default='magnetic'))
    op.alter_column('sortie', 'wind_reference', server_default=None)
    turned = _turned('sortie.wind_dir_deg_mag', "coalesce(runway_end.spec->>'magnetic_variation_deg', '0')")
    op.execute(
        f'update sortie set wind_dir_deg_true = {turned} from runway_end '  # noqa: S608
        'where runway_end.school_id = sortie.school_id and runway_end.id = sortie.runway_end_id '
        'and sortie.wind_dir_deg_mag is not null'
    )
    op.drop_column('sortie', 'wind_dir_deg_mag')
    op.create_check_constraint(
        op.f('ck_sortie_wind_reference_known'), 'sortie', "wind_reference in ('true', 'magnetic')"
    )


def _laps_up() -> None:
    connection = op.get_bind()
    for kind in _KINDS:
        op.add_column('lap', sa.Column(f'{kind}_version', sa.Uuid(), nullable=True))
        found = connection.execute(sa.text(f"select distinct school_id, request->'{kind}' from lap"))  # noqa: S608
        for school_id, spec in found.all():
            text = json.dumps([kind, spec], sort_keys=True, separators=(',', ':'))
            digest = uuid.UUID(bytes=hashlib.sha256(text.encode()).digest()[:16])
            connection.execute(
                sa.text(
                    'insert into version values (:school, :id, :kind, cast(:spec as jsonb)) on conflict do nothing'
                ),
                {'school': school_id, 'id': digest, 'kind': kind, 'spec': json.dumps(spec)},
            )
        op.execute(
            f"update lap set {kind}_version = version.id from version where version.kind = '{kind}' "  # noqa: S608
            f"and version.school_id = lap.school_id and version.spec = lap.request->'{kind}'"
        )
        op.alter_column('lap', f'{kind}_version', nullable=False)
        op.create_foreign_key(
            op.f(f'fk_lap_school_id_{kind}_version'),
            'lap',
            'version',
            ['school_id', f'{kind}_version'],
            ['school_id', 'id'],
            ondelete='RESTRICT',
        )
    for name, source, nullable in _NUMBERS:
        op.add_column('lap', sa.Column(name, sa.Float(), nullable=True))
        op.execute(f'update lap set {name} = ({source})::float8')  # noqa: S608
        op.alter_column('lap', name, nullable=nullable)
    variation = "coalesce(request->'runway'->>'magnetic_variation_deg', '0')"
    weather = "request->'weather'"
    for name in ('briefed_wind_deg_true', 'wind_dir_deg_true'):
        op.add_column('lap', sa.Column(name, sa.Float(), nullable=True))
    op.execute(
        f'update lap set wind_dir_deg_true = {_turned("wind_dir_deg_mag", variation)}, '  # noqa: S608
        f"briefed_wind_deg_true = coalesce(({weather}->>'wind_dir_deg_true')::float8, "
        f'{_turned(f"{weather}->>{chr(39)}wind_dir_deg_mag{chr(39)}", variation)})'
    )
    op.add_column('lap', sa.Column('belief', JSONB(), nullable=True))
    op.execute("update lap set belief = jsonb_strip_nulls(request->'calibration')")
    op.alter_column('lap', 'belief', nullable=False)
    op.drop_column('lap', 'wind_dir_deg_mag')
    op.drop_column('lap', 'request')
    # figures without their names, in the order in which the code reads them
    op.execute(
        """update lap set flown = jsonb_build_array(flown->'approach'->'speed_ktas', flown->'approach'->'touchdown_ktas',
        flown->'approach'->'headwind_kt', flown->'approach'->'path_angle_deg', flown->'approach'->'deceleration_fps2',
        flown->'approach'->'load_factor', flown->'approach'->'hold_off_height_ft', flown->'touchdown_from_aim_ft',
        flown->'speed_is_known', flown->'float_s') where flown is not null"""
    )
    # the primary key says the same
    op.drop_constraint(op.f('fk_lap_revision_school_id_lap_id'), 'lap_revision')
    op.drop_constraint(op.f('uq_lap_school_id_id'), 'lap')
    op.create_foreign_key(
        op.f('fk_lap_revision_school_id_lap_id'),
        'lap_revision',
        'lap',
        ['school_id', 'lap_id'],
        ['school_id', 'id'],
        ondelete='CASCADE',
    )
    op.create_index(op.f('ix_lap_school_id_model_version'), 'lap', ['school_id', 'model_version'])


def downgrade() -> None:
    op.drop_column('track_file', 'analysis_version')
    op.drop_index(op.f('ix_lap_school_id_model_version'), 'lap')
    op.create_unique_constraint(op.f('uq_lap_school_id_id'), 'lap', ['school_id', 'id'])
    op.execute(
        """update lap set flown = jsonb_build_object('approach', jsonb_build_object('speed_ktas', flown->0,
        'touchdown_ktas', flown->1, 'headwind_kt', flown->2, 'path_angle_deg', flown->3, 'deceleration_fps2', flown->4,
        'load_factor', flown->5, 'hold_off_height_ft', flown->6), 'touchdown_from_aim_ft', flown->7,
        'speed_is_known', flown->8, 'float_s', flown->9) where flown is not null"""
    )
    op.add_column('lap', sa.Column('request', JSONB(), nullable=True))
    op.add_column('lap', sa.Column('wind_dir_deg_mag', sa.Float(), nullable=True))
    parts = ', '.join(
        f"'{kind}', (select spec from version where version.school_id = lap.school_id and version.id = {kind}_version)"  # noqa: S608
        for kind in _KINDS
    )
    op.execute(
        f"""update lap set request = jsonb_build_object({parts}, 'landing', landing, 'flap', flap,
        'weight_lb', weight_lb, 'spot_ft', spot_ft, 'aim_point_ft', aim_point_ft,
        'approach_speed_kias', approach_speed_kias, 'calibration', belief,
        'school_crosswind_limit_kt', school_crosswind_limit_kt,
        'student_crosswind_limit_kt', student_crosswind_limit_kt,
        'weather', jsonb_build_object('wind_dir_deg_true', briefed_wind_deg_true, 'wind_dir_deg_mag', null,
            'wind_kt', briefed_wind_kt, 'gust_kt', briefed_gust_kt, 'temperature_c', temperature_c, 'qnh_hpa', qnh_hpa))"""  # noqa: S608
    )
    variation = "-coalesce(request->'runway'->>'magnetic_variation_deg', '0')::numeric"
    op.execute(f'update lap set wind_dir_deg_mag = {_turned("wind_dir_deg_true", variation)}')  # noqa: S608
    op.alter_column('lap', 'request', nullable=False)
    gone = ('briefed_wind_deg_true', 'wind_dir_deg_true', 'belief', *(name for name, _, _ in _NUMBERS))
    for name in (*gone, *(f'{kind}_version' for kind in _KINDS)):
        op.drop_column('lap', name)
    op.add_column('sortie', sa.Column('wind_dir_deg_mag', sa.Float(), nullable=True))
    back = _turned('sortie.wind_dir_deg_true', "-coalesce(runway_end.spec->>'magnetic_variation_deg', '0')::numeric")
    op.execute(
        f'update sortie set wind_dir_deg_mag = {back} from runway_end '  # noqa: S608
        'where runway_end.school_id = sortie.school_id and runway_end.id = sortie.runway_end_id'
    )
    op.drop_constraint(op.f('ck_sortie_wind_reference_known'), 'sortie')
    op.drop_column('sortie', 'wind_reference')
    op.drop_column('sortie', 'wind_dir_deg_true')
    op.drop_table('version')
    op.execute('drop function version_never_changes')
