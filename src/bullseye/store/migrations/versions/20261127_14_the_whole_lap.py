"""What a recorded flight measured of the rest of each lap; mock tests; the other built-in standards and their tasks.

Revision ID: 20261127_14
Revises: 20261127_13
"""

import json

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '20261127_14'
down_revision = '20261127_13'
branch_labels = None
depends_on = None

_UNKNOWN = {'touchdown_from_ft': None, 'touchdown_to_ft': None, 'speed_above_kt': None, 'speed_below_kt': None}
_CLIMB = {'US private': (10, 5), 'US commercial': (5, 5)}


def _speeds(above: float | None, below: float | None) -> dict[str, float | None]:
    return {'speed_above_kt': above, 'speed_below_kt': below}


def _standard(name: str, edition: str, source: str, **tasks: object) -> dict[str, object]:
    return {'name': name, 'edition': edition, 'source': source, **tasks}


def _european(name: str, edition: str, speeds: tuple[float, float], altitude_ft: float) -> dict[str, object]:
    landing = {**_UNKNOWN, **_speeds(*speeds)}
    return _standard(
        name,
        edition,
        'quoted from memory; what is not known is left open',
        normal=landing,
        short_field=landing,
        power_off=landing,
        climb=_speeds(*speeds),
        pattern={**_speeds(None, None), 'altitude_ft': altitude_ft},
    )


_OPEN = {'climb': _speeds(None, None), 'pattern': {**_speeds(None, None), 'altitude_ft': None}}
_NO_FIGURE = 'from memory no figure is known: complete a copy from the current edition'
# As they were when this was written; what the program has since is for new schools
_MORE = (
    _european('EASA PPL', 'Part-FCL, skill test', (15, 5), 150),
    _european('EASA CPL', 'Part-FCL, skill test', (5, 5), 100),
    _european('UK PPL', 'UK Part-FCL, skill test', (15, 5), 150),
    _standard(
        'Canada PPL',
        'Flight test guide, private pilot',
        'landings as commonly flown, from memory; what is not known is left open',
        normal=_UNKNOWN,
        short_field={**_UNKNOWN, 'touchdown_from_ft': 0, 'touchdown_to_ft': 200},
        soft_field={**_UNKNOWN, 'within_share': 1 / 3},
        power_off=_UNKNOWN,
        **_OPEN,
    ),
    _standard('US sport', 'FAA-S-8081-29', _NO_FIGURE, normal=_UNKNOWN, short_field=_UNKNOWN, **_OPEN),
    _standard('US recreational', 'FAA-S-8081-3', _NO_FIGURE, normal=_UNKNOWN, short_field=_UNKNOWN, **_OPEN),
    _standard(
        'US instructor',
        'FAA-S-ACS-25',
        _NO_FIGURE,
        normal=_UNKNOWN,
        short_field=_UNKNOWN,
        power_off=_UNKNOWN,
        **_OPEN,
    ),
)


def upgrade() -> None:
    """Add the column, complete the built-in standards, and give every school the new ones."""
    op.add_column('lap', sa.Column('around', postgresql.JSONB(), nullable=True))
    op.add_column('sortie', sa.Column('is_mock_test', sa.Boolean(), nullable=False, server_default=sa.false()))
    connection = op.get_bind()
    for name, (above, below) in _CLIMB.items():
        more = {
            'climb': _speeds(above, below),
            'pattern': {'altitude_ft': 100, **_speeds(10, 10)},
        }
        connection.execute(
            sa.text('update standard set spec = spec || cast(:more as jsonb) where is_built_in and name = :name'),
            {'more': json.dumps(more), 'name': name},
        )
    for spec in _MORE:
        connection.execute(
            sa.text(
                'insert into standard (school_id, name, spec, is_built_in) '
                'select id, :name, cast(:spec as jsonb), true from school on conflict do nothing'
            ),
            {'name': spec['name'], 'spec': json.dumps(spec)},
        )
    connection.execute(sa.text('delete from standing'))


def downgrade() -> None:
    """Take the column away; standards that a sortie uses stay."""
    op.drop_column('lap', 'around')
    op.drop_column('sortie', 'is_mock_test')
    op.get_bind().execute(
        sa.text(
            'delete from standard s where is_built_in and name = any(:names) '
            'and not exists (select from sortie where standard_id = s.id)'
        ),
        {'names': [spec['name'] for spec in _MORE]},
    )
    op.get_bind().execute(sa.text("update standard set spec = spec - 'climb' - 'pattern' where is_built_in"))
    op.get_bind().execute(sa.text('delete from standing'))
