"""Everything of a school, or of a person, as one file; and a school back in."""

from __future__ import annotations

import shutil
import tempfile

from apiflask import APIBlueprint
from flask import Response, request, send_file
from flask_login import login_required

from bullseye.api.context import database, person
from bullseye.api.schema import Out
from bullseye.store.errors import NotAllowed
from bullseye.store.whole import apart

bp = APIBlueprint('archive', __name__, url_prefix='/api/archive', tag='School')


class TakenInOut(Out):
    """How many rows of each table were taken in."""

    rows: dict[str, int]


def _file(name: str, task: apart.Task) -> Response:
    """A file that is put together on disk in a process of its own, and goes when it was read or its reader hung up."""
    out = tempfile.NamedTemporaryFile()  # noqa: SIM115 - closed with the reply
    apart.run(database(), task, out, person=person())
    out.seek(0)
    reply = send_file(out, mimetype='application/zip', as_attachment=True, download_name=name)
    reply.headers['Cache-Control'] = 'no-store'
    return reply


@bp.get('/school.zip')
@login_required
@bp.doc(responses={200: 'The school', 401: 'Not signed in', 403: 'For the chief instructor'})
def take_out_school() -> Response:
    """Everything of the school; passwords and secret links are not in it."""
    if person().role != 'chief':
        raise NotAllowed('only the chief instructor takes the school out')
    return _file('school.zip', 'out')


@bp.get('/mine.zip')
@login_required
@bp.doc(responses={200: 'What is kept of this person', 401: 'Not signed in'})
def take_out_mine() -> Response:
    """Everything that is kept of the person who asks."""
    return _file('mine.zip', 'mine')


@bp.put('/school')
@login_required
@bp.output(TakenInOut)
@bp.doc(responses=[401, 403, 409, 413, 422])
def take_in_school() -> TakenInOut:
    """Fill an empty school from an archive, all of it or nothing."""
    if person().role != 'chief':  # before the body is read
        raise NotAllowed('only the chief instructor takes a school in')
    with tempfile.NamedTemporaryFile() as data:
        shutil.copyfileobj(request.stream, data, 1_000_000)
        data.flush()
        return TakenInOut(rows=apart.run(database(), 'in', data, person=person())['rows'])
