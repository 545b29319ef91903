"""Times and days lie within the years 2000 to 2099; those outside are put back to the day of their sortie.

Revision ID: 20261127_06
Revises: 20261126_05
"""

from alembic import op

revision = '20261127_06'
down_revision = '20261126_05'
branch_labels = None
depends_on = None

_OF_TIME = "{0} >= timestamptz '2000-01-01T00:00Z' and {0} < timestamptz '2100-01-01T00:00Z'"
_CHECKS = (
    ('sortie', 'planned_on', "planned_on >= date '2000-01-01' and planned_on < date '2100-01-01'"),
    ('lap', 'flown_at', _OF_TIME.format('flown_at')),
    ('track', 'begun_at', _OF_TIME.format('begun_at')),
    ('track', 'ended_at', _OF_TIME.format('ended_at')),
    ('track_file', 'begun_at', f'dated is false or ({_OF_TIME.format("begun_at")})'),
    ('track_file', 'ended_at', f'dated is false or ({_OF_TIME.format("ended_at")})'),
)


_OF_SORTIE = "(sortie.planned_on + time '14:00') at time zone 'UTC'"
_REPAIRS = (
    "update sortie set planned_on = created_at::date where planned_on not between '2000-01-01' and '2099-12-31'",
    *(
        f'update {table} set {column} = {_OF_SORTIE} from sortie where sortie.school_id = {table}.school_id '  # noqa: S608
        f'and sortie.id = {table}.sortie_id and not ({_OF_TIME.format(f"{table}.{column}")})'
        for table, column in (('lap', 'flown_at'), ('track', 'begun_at'), ('track', 'ended_at'))
    ),
    # a recorded flight is analysed again, which leaves such fixes out, unless laps count its events already
    'update track_file set begun_at = null, ended_at = null, attempts = 0, '  # noqa: S608
    "state = case when raw is null or sortie_id is not null then state else 'waiting' end "
    f'where dated is not false and not ({_OF_TIME.format("begun_at")} and {_OF_TIME.format("ended_at")})',
)


def upgrade() -> None:
    for statement in _REPAIRS:
        op.execute(statement)
    for table, column, check in _CHECKS:
        op.create_check_constraint(op.f(f'ck_{table}_{column}_in_range'), table, check)


def downgrade() -> None:
    for table, column, _ in _CHECKS:
        op.drop_constraint(op.f(f'ck_{table}_{column}_in_range'), table)
