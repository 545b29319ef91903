"""Events of recorded flights hold their final and their hold-off as groups.

Revision ID: 20261127_08
Revises: 20261127_07
"""

from alembic import op

revision = '20261127_08'
down_revision = '20261127_07'
branch_labels = None
depends_on = None

_GROUPS = {
    'final': (
        *('threshold_height_ft', 'threshold_groundspeed_kt', 'threshold_airspeed_kt'),
        *('path_angle_deg', 'aim_flown_ft'),
    ),
    'hold_off': ('roundout_start_ft', 'float_ft', 'float_uncertainty_ft', 'float_s', 'deceleration_fps2'),
}


def _rewrite(event: str) -> None:
    op.execute(
        f"""update track_file set report = jsonb_set(report, '{{events}}',
        coalesce((select jsonb_agg({event} order by n)
            from jsonb_array_elements(report->'events') with ordinality as found(event, n)), '[]'::jsonb))
        where report is not null"""  # noqa: S608
    )


def upgrade() -> None:
    gone = ', '.join(f"'{name}'" for names in _GROUPS.values() for name in names)
    groups = ', '.join(
        f"'{group}', jsonb_build_object({', '.join(f'{chr(39)}{name}{chr(39)}, event->{chr(39)}{name}{chr(39)}' for name in names)})"
        for group, names in _GROUPS.items()
    )
    _rewrite(f'(event - array[{gone}]) || jsonb_build_object({groups})')


def downgrade() -> None:
    _rewrite("(event - array['final', 'hold_off']) || (event->'final') || (event->'hold_off')")
