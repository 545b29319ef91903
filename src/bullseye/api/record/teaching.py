"""What the school teaches and how it fares: syllabus, faults and remedies, the chief's overview."""

from __future__ import annotations

import csv
import io
from datetime import UTC, datetime
from typing import Annotated, Any

from apiflask import APIBlueprint
from flask import Response
from flask_login import login_required
from pydantic import Field

from bullseye.api.context import database, person
from bullseye.api.flying.days import QueryId
from bullseye.api.flying.sortiefields import PlannedOn
from bullseye.api.schema import In, Out
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.sentence import Sentence
from bullseye.core.exchange.cells import safe_cell
from bullseye.core.explain.faults import FAULTS, Fault, Shape, illusion_words
from bullseye.core.record.syllabus import Exercise
from bullseye.core.record.syllabuscsv import COLUMNS, from_csv, to_rows
from bullseye.store.equipment import catalogue
from bullseye.store.errors import NotFound
from bullseye.store.people import joining
from bullseye.store.record import overview, syllabus
from bullseye.store.rows.equipment import RunwayEnd

MOST_EXERCISES = 120  # of one school
bp = APIBlueprint('teaching', __name__, url_prefix='/api', tag='School')


class SyllabusOut(Out):
    """The exercises of the school, in teaching order."""

    exercises: list[Exercise]


class SyllabusIn(In):
    """The exercises as they are to be taught, in order; those left out are retired."""

    exercises: Annotated[list[Exercise], Field(min_length=1, max_length=MOST_EXERCISES)]


@bp.get('/syllabus')
@login_required
@bp.output(SyllabusOut)
@bp.doc(responses=[401])
def read_syllabus() -> SyllabusOut:
    """Read what the school teaches."""
    return SyllabusOut(exercises=list(syllabus.exercises(database())))


@bp.put('/syllabus')
@login_required
@bp.input(SyllabusIn)
@bp.output(SyllabusOut)
@bp.doc(responses=[401, 403, 422])
def change_syllabus(json_data: SyllabusIn) -> SyllabusOut:
    """Teach these exercises in this order; what was signed of retired ones stays."""
    return SyllabusOut(exercises=list(syllabus.replace(database(), by=person(), wanted=json_data.exercises)))


class SyllabusFile(In):
    """A CSV file, as text."""

    text: Annotated[str, Field(min_length=1, max_length=200_000)]


@bp.post('/syllabus/file')
@login_required
@bp.input(SyllabusFile)
@bp.output(SyllabusOut)
@bp.doc(responses=[401, 403, 422])
def take_in_syllabus(json_data: SyllabusFile) -> SyllabusOut:
    """Teach the exercises of a CSV file, in the order of its rows; docs/data.md tells the columns."""
    wanted = from_csv(json_data.text)
    if not 0 < len(wanted) <= MOST_EXERCISES:
        raise InvalidInput('text', f'{len(wanted)} exercises', f'1 to {MOST_EXERCISES}')
    return SyllabusOut(exercises=list(syllabus.replace(database(), by=person(), wanted=wanted)))


@bp.get('/syllabus.csv')
@login_required
@bp.doc(responses={200: 'The syllabus as CSV', 401: 'Not signed in'})
def take_out_syllabus() -> Response:
    """The syllabus as CSV, UTF-8."""
    return _csv(to_rows(syllabus.exercises(database())), COLUMNS, 'syllabus.csv')


def _csv(rows: list[dict[str, Any]], columns: tuple[str, ...], name: str) -> Response:
    out = io.StringIO()
    writer = csv.writer(out, lineterminator='\r\n')
    writer.writerow(columns)
    for row in rows:
        cells = ['' if row[column] is None else row[column] for column in columns]
        cells = [' '.join(cell) if isinstance(cell, list) else cell for cell in cells]
        writer.writerow([safe_cell(cell) if isinstance(cell, str) else cell for cell in cells])
    reply = Response(out.getvalue(), content_type='text/csv; charset=utf-8')
    reply.headers.set('Content-Disposition', 'attachment', filename=name)
    reply.headers['Cache-Control'] = 'no-store'
    return reply


class FaultsAsked(In):
    """On which runway, against which the pilot is used to."""

    runway_end_id: QueryId | None = None
    home_end_id: QueryId | None = None


class FaultsOut(Out):
    """Faults and remedies; of a runway also how it deceives whoever comes from the home runway."""

    faults: list[Fault]
    illusions: list[Sentence]


@bp.get('/faults')
@login_required
@bp.input(FaultsAsked, location='query')
@bp.output(FaultsOut)
@bp.doc(responses=[401, 404])
def read_faults(query_data: FaultsAsked) -> FaultsOut:
    """Read faults and remedies."""
    here, home = query_data.runway_end_id, query_data.home_end_id
    said = () if here is None or home is None else illusion_words(_shape(here), home=_shape(home))
    return FaultsOut(faults=list(FAULTS), illusions=list(said))


def _shape(runway_end_id: int) -> Shape:
    row: RunwayEnd | None = database().get(RunwayEnd, runway_end_id)
    if row is None:
        raise NotFound('runway end')
    runway = catalogue.runway_of(row)
    return Shape(
        name=f'{row.airfield.name} {row.ident}',
        length_ft=runway.length_ft,
        width_ft=runway.width_ft,
        path_angle_deg=runway.path_angle_deg,
        slope_pct=runway.slope_pct,
    )


class DayAsked(In):
    """Which day it is where the device stands."""

    today: PlannedOn | None = None


class OverviewOut(Out):
    """The school at a glance."""

    students: list[overview.StudentLine]
    left_out: int
    groups: dict[str, list[str]]
    fields: list[overview.Cost]
    winds: list[overview.Cost]
    hours: list[overview.Cost]
    aircraft: list[overview.Cost]
    needed: list[overview.Needed]
    sorties_this_month: int
    sorties_last_month: int
    signed_this_month: int


def _overview(asked: DayAsked) -> overview.Overview:
    return overview.overview(database(), by=person(), today=asked.today or datetime.now(UTC).date())


@bp.get('/overview')
@login_required
@bp.input(DayAsked, location='query')
@bp.output(OverviewOut)
@bp.doc(responses=[401, 403])
def read_overview(query_data: DayAsked) -> OverviewOut:
    """Who is at standard, close, stuck or stale, and what costs most; for those who teach."""
    found = _overview(query_data)
    return OverviewOut.model_validate(
        {
            **{name: getattr(found, name) for name in OverviewOut.model_fields if name != 'groups'},
            'groups': overview.sorted_out(found),
        }
    )


_OVERVIEW_COLUMNS = (
    *('student', 'standard', 'landing', 'state', 'chance', 'sure', 'judged', 'last_on', 'mean_ft', 'scatter_ft'),
    *('is_stale', 'is_stuck', 'weakest', 'not_judged'),
)


@bp.get('/overview.csv')
@login_required
@bp.input(DayAsked, location='query')
@bp.doc(responses={200: 'The overview as CSV', 401: 'Not signed in', 403: 'Not for students'})
def take_out_overview(query_data: DayAsked) -> Response:
    """The overview as CSV, a row for each student and kind of landing."""
    return _csv(overview.as_rows(_overview(query_data)), _OVERVIEW_COLUMNS, 'overview.csv')


def _from_spot(mean_ft: float | None, scatter_ft: float | None) -> str:
    """Where landings lie from the spot; of a single one no scatter is known."""
    if mean_ft is None:
        return ''
    return f'{mean_ft:+.0f} ft' + ('' if scatter_ft is None else f', scatter {scatter_ft:.0f} ft')


@bp.get('/overview.pdf')
@login_required
@bp.input(DayAsked, location='query')
@bp.doc(responses={200: 'The overview as PDF', 401: 'Not signed in', 403: 'Not for students'})
def print_overview(query_data: DayAsked) -> Response:
    """The overview on paper."""
    from bullseye.paper.report import Section, report_pdf  # here: what draws PDF takes long to load

    found = _overview(query_data)
    rows = tuple(
        (
            row['student'],
            row['landing'].replace('_', '-'),
            ', '.join([row['state'].replace('_', ' '), *(word for word in ('stuck', 'stale') if row[f'is_{word}'])]),
            '' if row['chance'] is None else f'{row["chance"]:.0%}',
            str(row['judged']),
            _from_spot(row['mean_ft'], row['scatter_ft']),
            f'{row["last_on"]:%d %b %Y}',
        )
        for row in overview.as_rows(found)
    )
    costs = tuple(
        (one.name, str(one.landings), f'{one.hit_rate:.0%} ({one.low:.0%} to {one.high:.0%})')
        for part in (found.fields, found.winds, found.aircraft, found.hours)
        for one in part
    )
    columns = ('Student', 'Landing', 'Standing', 'Chance', 'Judged', 'From the spot', 'Last flown')
    sections = [
        Section(heading='Students', columns=columns, rows=rows, shares=(0.2, 0.13, 0.17, 0.08, 0.08, 0.21, 0.13)),
        Section(heading='Where landings miss most', columns=('Where', 'Landings', 'In the window'), rows=costs),
    ]
    school = joining.school_of(database(), person()).name
    notes = (
        'Shares are drawn towards the whole school’s, and told from eight landings on: small differences are chance.',
    )
    return Response(
        report_pdf(
            title=f'{school}: where the students stand',
            subtitle=f'{datetime.now(UTC):%d %b %Y}',
            sections=sections,
            notes=notes,
        ),
        mimetype='application/pdf',
        headers={'Content-Disposition': 'inline; filename="overview.pdf"', 'Cache-Control': 'no-store'},
    )
