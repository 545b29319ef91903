"""Every day's sorties: found, copied, cancelled, taken away, and in a person's own calendar."""

from __future__ import annotations

import re
from datetime import UTC, date, datetime, timedelta
from typing import Annotated

from apiflask import APIBlueprint
from flask import Response
from flask.typing import ResponseReturnValue
from flask_login import login_required
from pydantic import AwareDatetime, Field, StringConstraints
from sqlalchemy import RowMapping

from bullseye.api.context import database, person
from bullseye.api.flying.sortiefields import ClockTime, PlannedOn, SortieOut
from bullseye.api.limiter import limiter
from bullseye.api.schema import In, Note, Out
from bullseye.core.air.wind import shown_magnetic_deg
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import LandingKind
from bullseye.core.basis.unknown import known_or
from bullseye.core.exchange.calendar import calendar_text
from bullseye.store.flying import calendars, sortielist, sorties
from bullseye.store.flying.sortielist import State, Wanted
from bullseye.store.record import proposals

bp = APIBlueprint('days', __name__, url_prefix='/api', tag='Sorties')
_KEY = re.compile(r'(\d{4}-\d{2}-\d{2})\.(\d{1,10})')
_MOST_DAYS = timedelta(days=62)
_MOST_WORDS = 6
QueryId = Annotated[int, Field(ge=1, le=2**31 - 1)]


class Looked(In):
    """What sorties are looked for."""

    text: Annotated[str, StringConstraints(max_length=120)] = ''
    first_day: PlannedOn | None = None
    last_day: PlannedOn | None = None
    student_id: QueryId | None = None
    instructor_id: QueryId | None = None
    aircraft_id: QueryId | None = None
    landing: LandingKind | None = None
    state: State | None = None
    oldest_first: bool = False
    most: Annotated[int, Field(ge=1, le=60)] = 60
    after: Annotated[str, StringConstraints(max_length=24)] | None = None  # the key that the page before ended with

    def wanted(self) -> Wanted:
        """As the store takes it."""
        words = tuple(self.text.replace('\x00', '').split()[:_MOST_WORDS])
        return Wanted(words=words, **self.model_dump(exclude={'text', 'after', 'most'}))

    def key(self) -> tuple[date, int] | None:
        """The key after which to go on."""
        if self.after is None:
            return None
        found = _KEY.fullmatch(self.after)
        try:
            return (date.fromisoformat(found[1]), min(int(found[2]), 2**31 - 1)) if found else _no_key(self.after)
        except ValueError:
            return _no_key(self.after)


def _no_key(given: str) -> tuple[date, int]:
    raise InvalidInput('after', given, 'the key that a page ended with')


class SortieLine(Out):
    """A sortie as a list shows it."""

    id: int
    planned_on: date
    planned_time: ClockTime | None
    booked_min: float
    cancelled_for: str | None
    student_id: int
    student_name: str
    instructor_id: int
    instructor_name: str
    aircraft_id: int
    aircraft_name: str
    airfield: str
    airfield_is_fictional: bool
    runway_end_id: int
    runway_ident: str
    standard_id: int
    standard_name: str
    landing: LandingKind
    weather_at: AwareDatetime | None  # when wind and air were given; null: never
    wind_dir_deg_true: float | None
    wind_dir_deg_mag: float | None  # by the compass at its runway
    wind_kt: float | None
    gust_kt: float | None
    laps: int
    is_mock_test: bool

    @classmethod
    def of(cls, row: RowMapping) -> SortieLine:
        """Reply for a line of the list."""
        magnetic_deg = shown_magnetic_deg(
            row['wind_dir_deg_true'], variation_deg=known_or(row['magnetic_variation_deg'], 0.0)
        )
        return cls.model_validate({**row, 'wind_dir_deg_mag': magnetic_deg})


class SortiesOut(Out):
    """Sorties, newest day first unless asked otherwise; ``after`` asks for the next page, null: this is the last."""

    sorties: list[SortieLine]
    after: str | None


class DayOut(Out):
    """How many sorties a day has."""

    planned_on: date
    planned: int
    flown: int
    cancelled: int


class DaysOut(Out):
    """Days that have sorties."""

    days: list[DayOut]


class CopyIn(In):
    """When the same is flown again."""

    planned_on: PlannedOn
    planned_time: ClockTime | None = None


class CancelIn(In):
    """Why it is not flown."""

    reason: Note


class ProposalOut(Out):
    """What a new sortie starts with, and why."""

    student_id: int | None
    aircraft_id: int | None
    runway_end_id: int | None
    standard_id: int | None
    landing: LandingKind
    why: list[str]
    last_weather: LastWeather | None


class LastWeather(Out):
    """Wind and air of the last sortie from the same field: to be looked at, not to be flown by."""

    at: AwareDatetime
    wind_dir_deg_true: float | None
    wind_dir_deg_mag: float | None
    wind_kt: float
    gust_kt: float | None
    temperature_c: float
    qnh_hpa: float


class CalendarLink(Out):
    """The secret address of a person's calendar; told once."""

    path: str


@bp.get('/sorties')
@login_required
@bp.input(Looked, location='query')
@bp.output(SortiesOut)
@bp.doc(responses=[401])
def list_sorties(query_data: Looked) -> SortiesOut:
    """List the sorties this person may read, a page at a time."""
    asked = query_data
    found = sortielist.page(database(), person(), asked.wanted(), after=asked.key(), most=asked.most)
    after = None if found.after is None else f'{found.after[0]}.{found.after[1]}'
    return SortiesOut(sorties=[SortieLine.of(row) for row in found.rows], after=after)


@bp.get('/sorties/days')
@login_required
@bp.input(Looked, location='query')
@bp.output(DaysOut)
@bp.doc(responses=[401])
def list_days(query_data: Looked) -> DaysOut:
    """Count the sorties of each day of some weeks."""
    wanted = query_data.wanted()
    if wanted.first_day is None or wanted.last_day is None or wanted.last_day - wanted.first_day > _MOST_DAYS:
        raise InvalidInput(
            'last_day', str(wanted.last_day), f'a first day, and a last within {_MOST_DAYS.days} days of it'
        )
    return DaysOut(days=[DayOut.model_validate(dict(row)) for row in sortielist.days(database(), person(), wanted)])


class ProposalAsked(In):
    """For whom a new sortie is."""

    student_id: QueryId | None = None
    today: PlannedOn | None = None  # by the clock of the device


@bp.get('/sorties/proposal')
@login_required
@bp.input(ProposalAsked, location='query')
@bp.output(ProposalOut)
@bp.doc(responses=[401, 403])
def propose_sortie(query_data: ProposalAsked) -> ProposalOut:
    """Propose what a new sortie starts with: today's student, their next landing, the usual aircraft and runway."""
    today = query_data.today or datetime.now(UTC).date()
    found = proposals.propose(database(), by=person(), student_id=query_data.student_id, today=today)
    return ProposalOut.model_validate(found)


@bp.post('/sorties/<int:sortie_id>/copy')
@login_required
@bp.input(CopyIn)
@bp.output(SortieOut, status_code=201)
@bp.doc(responses=[401, 403, 404])
def copy_sortie(sortie_id: int, json_data: CopyIn) -> SortieOut:
    """Plan the same again on another day, its weather not known yet."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person(), right='coach')
    return SortieOut.of(sorties.copy(db, sortie, by=person(), **json_data.model_dump()))


@bp.put('/sorties/<int:sortie_id>/cancellation')
@login_required
@bp.input(CancelIn)
@bp.output(SortieOut)
@bp.doc(responses=[401, 403, 404, 409])
def cancel_sortie(sortie_id: int, json_data: CancelIn) -> SortieOut:
    """Say that a sortie is not flown, and why."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person(), right='coach', lock=True)
    sorties.cancel(db, sortie, by=person(), reason=json_data.reason)
    return SortieOut.of(sorties.find(db, sortie_id, person=person()))


@bp.delete('/sorties/<int:sortie_id>/cancellation')
@login_required
@bp.output(SortieOut)
@bp.doc(responses=[401, 403, 404])
def fly_it_after_all(sortie_id: int) -> SortieOut:
    """Take a cancellation back."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person(), right='coach', lock=True)
    sorties.cancel(db, sortie, by=person(), reason=None)
    return SortieOut.of(sorties.find(db, sortie_id, person=person()))


@bp.delete('/sorties/<int:sortie_id>')
@login_required
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 403, 404, 409])
def remove_sortie(sortie_id: int) -> ResponseReturnValue:
    """Take a sortie away that has no laps; it can be brought back."""
    db = database()
    sorties.remove(db, sorties.find(db, sortie_id, person=person(), right='coach', lock=True), by=person())
    return '', 204


@bp.post('/sorties/<int:sortie_id>/restore')
@login_required
@bp.output(SortieOut)
@bp.doc(responses=[401, 403, 404])
def restore_sortie(sortie_id: int) -> SortieOut:
    """Bring back a sortie that was taken away."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person(), right='coach', lock=True, removed_too=True)
    sorties.bring_back(db, sortie, by=person())
    return SortieOut.of(sorties.find(db, sortie_id, person=person()))


def _calendar(text: str, name: str, *, is_private: bool) -> Response:
    reply = Response(text, content_type='text/calendar; charset=utf-8')
    reply.headers.set('Content-Disposition', 'attachment', filename=name)
    reply.headers['Cache-Control'] = 'no-store' if is_private else 'private, max-age=300'
    return reply


@bp.get('/sorties/<int:sortie_id>/sortie.ics')
@login_required
@bp.doc(responses={200: 'The sortie as iCalendar', 401: 'Not signed in', 404: 'No such sortie'})
def take_out_sortie(sortie_id: int) -> Response:
    """One sortie for a calendar."""
    sortie = sorties.find(database(), sortie_id, person=person())
    text = calendar_text([calendars.entry_of(sortie)], name=sortie.school.name)
    return _calendar(text, f'sortie-{sortie_id}.ics', is_private=True)


@bp.post('/calendar')
@login_required
@bp.output(CalendarLink, status_code=201)
@bp.doc(responses=[401])
def make_calendar_link() -> CalendarLink:
    """Make the secret link of one's own calendar; an earlier one stops working."""
    return CalendarLink(path=f'/api/calendar/{calendars.make_link(database(), person())}.ics')


@bp.delete('/calendar')
@login_required
@bp.output({}, status_code=204)
@bp.doc(responses=[401])
def end_calendar_link() -> ResponseReturnValue:
    """End the link of one's own calendar."""
    calendars.end_link(database(), person())
    return '', 204


@bp.get('/calendar/<string:key>.ics')
@limiter.limit('60 per hour')
@bp.doc(responses={200: 'The calendar', 404: 'No such calendar', 429: 'Too many tries'}, security=[])
def read_calendar(key: str) -> Response:
    """A person's sorties for the calendar program that has their secret link."""
    owner, entries = calendars.by_link(database(), key[:100], today=datetime.now(UTC).date())
    return _calendar(calendar_text(entries, name=f'Flying: {owner.name}'), 'sorties.ics', is_private=False)
