"""The week at a glance, for those who teach."""

from __future__ import annotations

from datetime import UTC, date, datetime
from typing import Any

from apiflask import APIBlueprint
from flask_login import login_required

from bullseye.api.context import database, person
from bullseye.api.flying.days import SortieLine
from bullseye.api.flying.sortiefields import PlannedOn
from bullseye.api.schema import In, Out
from bullseye.core.basis.sentence import Sentence
from bullseye.store.record import week

bp = APIBlueprint('week', __name__, url_prefix='/api/week', tag='Students')


class WeekAsked(In):
    """Which seven days, and whether only one's own sorties."""

    first_day: PlannedOn
    today: PlannedOn | None = None
    mine: bool = False


class BookedOut(Out):
    """A sortie of the week, and what its student is due for; nothing where it was flown or cancelled."""

    sortie: SortieLine
    due: list[str]
    not_possible: list[Sentence]


class NotBookedOut(Out):
    """A student without a sortie that week, and of the first few what they are due for."""

    id: int
    name: str
    last_flown_on: date | None
    due: list[str]


class WeekOut(Out):
    """Seven days."""

    booked: list[BookedOut]
    has_more: bool
    not_booked: list[NotBookedOut]
    others_not_booked: int  # who are not listed


@bp.get('')
@login_required
@bp.input(WeekAsked, location='query')
@bp.output(WeekOut)
@bp.doc(responses=[401, 403])
def read_week(query_data: WeekAsked) -> dict[str, Any]:
    """Read who flies when, in what, in which wind, what they are due for, and who is not booked."""
    asked = query_data
    found = week.week(
        database(),
        by=person(),
        first_day=asked.first_day,
        today=asked.today or datetime.now(UTC).date(),
        mine=asked.mine,
    )
    return {
        'booked': [
            {'sortie': SortieLine.of(one.row), 'due': list(one.due), 'not_possible': list(one.not_possible)}
            for one in found.booked
        ],
        'has_more': found.has_more,
        'others_not_booked': found.others_not_booked,
        'not_booked': [
            {'id': one.id, 'name': one.name, 'last_flown_on': one.last_flown_on, 'due': list(one.due)}
            for one in found.not_booked
        ],
    }
