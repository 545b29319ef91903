"""A sortie as an examiner would go through it, by every standard of the school; and as PDF."""

from __future__ import annotations

from typing import Any

from apiflask import APIBlueprint
from flask import Response
from flask_login import login_required

from bullseye.api.context import database, person
from bullseye.api.flying.days import QueryId
from bullseye.api.schema import In, Out
from bullseye.core.basis.sentence import Sentence
from bullseye.core.record.examined import Item
from bullseye.store.flying import sorties
from bullseye.store.record import examining

bp = APIBlueprint('examining', __name__, url_prefix='/api/sorties', tag='Laps')
_FOUND = {'within': 'within', 'outside': 'NOT within', 'unknown': 'not known', 'not_flown': 'not flown'}


class ByStandardOut(Out):
    """A sortie by one standard."""

    id: int
    name: str
    edition: str
    source: str
    items: list[Item]
    words: list[Sentence]


class ExaminedOut(Out):
    """A sortie by each standard, its own first."""

    standards: list[ByStandardOut]


def _by(one: examining.ByStandard) -> dict[str, Any]:
    return {
        'id': one.row.id,
        'name': one.row.name,
        **{name: one.row.spec[name] for name in ('edition', 'source')},
        'items': list(one.examined.items),
        'words': list(one.examined.words),
    }


@bp.get('/<int:sortie_id>/examined')
@login_required
@bp.output(ExaminedOut)
@bp.doc(responses=[401, 404])
def examine_sortie(sortie_id: int) -> dict[str, Any]:
    """Go through a sortie by every standard, task by task; the first lap of each landing counts."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person())
    return {'standards': [_by(one) for one in examining.by_standards(db, sortie)]}


class StandardAsked(In):
    """By which standard; without one by the sortie's own."""

    standard_id: QueryId | None = None


@bp.get('/<int:sortie_id>/examined.pdf')
@login_required
@bp.input(StandardAsked, location='query')
@bp.doc(responses={200: 'The sortie task by task as PDF', 401: 'Not signed in', 404: 'No such sortie or standard'})
def print_examined(sortie_id: int, query_data: StandardAsked) -> Response:
    """The sortie task by task, printed."""
    from bullseye.paper.report import Section, report_pdf  # here: what draws PDF takes long to load

    db = database()
    sortie = sorties.find(db, sortie_id, person=person())
    found = examining.by_standard(db, sortie, query_data.standard_id)
    rows = tuple(
        (one.name, _FOUND[one.found], ' '.join(str(words) for words in one.words)) for one in found.examined.items
    )
    spec = found.row.spec
    title = 'Mock test' if sortie.is_mock_test else 'Sortie, task by task'
    pdf = report_pdf(
        title=f'{title}: {sortie.student.name}',
        subtitle=f'{sortie.school.name} · {sortie.planned_on:%d %b %Y} · {sortie.aircraft.name} · '
        f'{sortie.runway_end.airfield.name} {sortie.runway_end.ident} · {found.row.name}, {spec["edition"]}',
        sections=[
            Section(heading='Tasks', columns=('Task', 'Found', 'Why'), rows=rows, shares=(0.24, 0.14, 0.62)),
        ],
        notes=(
            *(str(one) for one in found.examined.words),
            f'{found.row.name}: {spec["source"]}. The first lap of each landing counts; laps that the instructor flew '
            'do not. What was not measured is not judged.',
        ),
    )
    return Response(
        pdf,
        mimetype='application/pdf',
        headers={'Content-Disposition': f'inline; filename=sortie-{sortie_id}.pdf', 'Cache-Control': 'no-store'},
    )
