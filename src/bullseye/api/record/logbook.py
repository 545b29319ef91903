"""A person's logbook: lines drafted from sorties, kept, taken out and in."""

from __future__ import annotations

import re
from datetime import date
from typing import Annotated, Any

from apiflask import APIBlueprint
from flask import Response
from flask.typing import ResponseReturnValue
from flask_login import login_required
from pydantic import Field, StringConstraints

from bullseye.api.context import database, person
from bullseye.api.flying.days import QueryId
from bullseye.api.flying.sortiefields import PlannedOn
from bullseye.api.schema import Id, In, Out
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.record.logbook import LogLine, Totals, from_csv, to_csv, totals
from bullseye.store.errors import NotFound
from bullseye.store.flying import sorties
from bullseye.store.record import logbook
from bullseye.store.rows.people import User

bp = APIBlueprint('logbook', __name__, url_prefix='/api/logbook', tag='Logbook')
_KEY = re.compile(r'(\d{4}-\d{2}-\d{2})\.(\d{1,9})')


class LogAsked(In):
    """Whose logbook, and which part of it."""

    person_id: QueryId | None = None  # None: one's own
    first_day: PlannedOn | None = None
    last_day: PlannedOn | None = None
    after: Annotated[str, StringConstraints(max_length=24)] | None = None

    def owner(self) -> User:
        """Whose it is; somebody else's only where one may read it."""
        if self.person_id is None:
            return person()
        found = database().get(User, self.person_id)
        if found is None:
            raise NotFound('logbook')
        logbook.require_own(person(), found)
        return found

    def key(self) -> tuple[date, int] | None:
        """The key after which to go on."""
        if self.after is None:
            return None
        found = _KEY.fullmatch(self.after)
        try:
            if found:
                return date.fromisoformat(found[1]), int(found[2])
        except ValueError:
            pass
        raise InvalidInput('after', self.after, 'the key that a page ended with')

    def every_line(self) -> list[LogLine]:
        """All lines of the time, oldest first."""
        found, _ = logbook.entries(
            database(), self.owner(), first_day=self.first_day, last_day=self.last_day, most=logbook.MOST
        )
        return [line for _, line in reversed(found)]


class LogEntryOut(Out):
    """One line, and what of it is still to be asked."""

    id: int
    line: LogLine
    unknown: list[str]


class NotWritten(Out):
    """A flown sortie that stands in no line yet."""

    sortie_id: int
    planned_on: date
    laps: int


class LogOut(Out):
    """A page of a logbook; sums of all of it, or of the time asked for."""

    entries: list[LogEntryOut]
    after: str | None
    totals: Totals
    not_written: list[NotWritten]


@bp.get('')
@login_required
@bp.input(LogAsked, location='query')
@bp.output(LogOut)
@bp.doc(responses=[401, 404])
def read_logbook(query_data: LogAsked) -> dict[str, Any]:
    """Read a logbook, latest first."""
    db, owner = database(), query_data.owner()
    asked = query_data
    found, after = logbook.entries(db, owner, first_day=asked.first_day, last_day=asked.last_day, after=asked.key())
    waiting = logbook.not_written(db, owner) if owner.id == person().id else []
    return {
        'entries': [{'id': number, 'line': line, 'unknown': list(line.unknown)} for number, line in found],
        'after': None if after is None else f'{after[0]}.{after[1]}',
        'totals': totals(query_data.every_line()),
        'not_written': [{'sortie_id': row.id, 'planned_on': row.planned_on, 'laps': row.laps} for row in waiting],
    }


class DraftOut(Out):
    """A line as a sortie makes it; what nobody knows is empty."""

    line: LogLine
    unknown: list[str]


@bp.get('/draft/<int:sortie_id>')
@login_required
@bp.output(DraftOut)
@bp.doc(responses=[401, 404])
def draft_line(sortie_id: int) -> dict[str, Any]:
    """Draft one's own line of a sortie."""
    db = database()
    line = logbook.draft(db, sorties.find(db, sortie_id, person=person()), person())
    return {'line': line, 'unknown': list(line.unknown)}


class LineIn(In):
    """A line to write, and the sortie it is of."""

    line: LogLine
    sortie_id: Id | None = None


@bp.post('')
@login_required
@bp.input(LineIn)
@bp.output(LogEntryOut, status_code=201)
@bp.doc(responses=[401, 404, 409, 422])
def write_line(json_data: LineIn) -> dict[str, Any]:
    """Write a line into one's own logbook."""
    line = json_data.line
    row = logbook.keep(database(), person(), by=person(), line=line, sortie_id=json_data.sortie_id)
    return {'id': row.id, 'line': line, 'unknown': list(line.unknown)}


@bp.delete('/<int:entry_id>')
@login_required
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 404])
def remove_line(entry_id: int) -> ResponseReturnValue:
    """Take a line out of one's own logbook."""
    logbook.remove(database(), person(), entry_id, by=person())
    return '', 204


@bp.post('/<int:entry_id>/restore')
@login_required
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 404, 409])
def bring_line_back(entry_id: int) -> ResponseReturnValue:
    """Bring a line of one's own logbook back."""
    logbook.bring_back(database(), person(), entry_id, by=person())
    return '', 204


@bp.get('/logbook.csv')
@login_required
@bp.input(LogAsked, location='query')
@bp.doc(responses={200: 'The logbook as CSV', 401: 'Not signed in', 404: 'No such logbook'})
def take_out(query_data: LogAsked) -> Response:
    """A logbook as CSV, UTF-8; docs/data.md tells the columns."""
    reply = Response(to_csv(query_data.every_line()), content_type='text/csv; charset=utf-8')
    reply.headers.set('Content-Disposition', 'attachment', filename='logbook.csv')
    reply.headers['Cache-Control'] = 'no-store'
    return reply


class FileIn(In):
    """A CSV file, as text."""

    text: Annotated[str, Field(min_length=1, max_length=240_000)]


class TakenIn(Out):
    """What became of a file's rows."""

    written: int
    there_already: int
    problems: list[str]


@bp.post('/file')
@login_required
@bp.input(FileIn)
@bp.output(TakenIn)
@bp.doc(responses=[401, 422])
def take_in(json_data: FileIn) -> TakenIn:
    """Take lines from a CSV file into one's own logbook; what stands there already is left as it is."""
    read = from_csv(json_data.text)
    written, there = logbook.take_in(database(), person(), by=person(), lines=read.lines)
    return TakenIn(written=written, there_already=there, problems=list(read.problems[:50]))


@bp.get('/logbook.pdf')
@login_required
@bp.input(LogAsked, location='query')
@bp.doc(responses={200: 'The logbook as PDF', 401: 'Not signed in', 404: 'No such logbook'})
def print_logbook(query_data: LogAsked) -> Response:
    """A logbook on paper, with its sums; unknown is a dash."""
    from bullseye.paper.report import Section, report_pdf  # here: what draws PDF takes long to load

    lines = query_data.every_line()
    sums = totals(lines)

    def shown(value: object) -> str:
        return '-' if value is None else str(value)

    def landed(day: int | None, night: int | None) -> str:
        return f'{shown(day)} / {shown(night)}'

    rows = tuple(
        (
            str(one.flown_on),
            f'{one.aircraft} {one.registration or ""}'.strip(),
            f'{shown(one.from_field)} to {shown(one.to_field)}',
            shown(one.block_min),
            shown(one.flight_min),
            one.role,
            landed(one.takeoffs_day, one.takeoffs_night),
            landed(one.landings_day, one.landings_night),
            '; '.join(one.exercises),
            one.remarks,
        )
        for one in lines
    )
    columns = (
        *('Date', 'Aircraft', 'From, to', 'Block min', 'Flight min', 'As', 'T/O d / n', 'Ldg d / n'),
        *('Exercises', 'Remarks'),
    )
    shares = (0.09, 0.13, 0.1, 0.07, 0.07, 0.08, 0.07, 0.07, 0.15, 0.17)
    section = Section(heading='Flights', columns=columns, rows=rows, shares=shares)
    notes = (
        f'{sums.flights} flights, {sums.block_min} min block, {sums.landings} landings, {sums.landings_night} by '
        f'night; {sums.not_counted} flights without a block time are not in the sum.',
    )
    name = query_data.owner().name
    return Response(
        report_pdf(title=f'Logbook of {name}', subtitle='Times in minutes', sections=[section], notes=notes, wide=True),
        mimetype='application/pdf',
        headers={'Content-Disposition': 'inline; filename="logbook.pdf"', 'Cache-Control': 'no-store'},
    )
