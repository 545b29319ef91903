"""Everything of a school, or of a person, as one file; and a school back in."""

from __future__ import annotations

import shutil
import tempfile
from collections.abc import Callable
from typing import IO

from apiflask import APIBlueprint
from flask import Response, request, send_file
from flask_login import login_required

from bullseye.api.context import database, person
from bullseye.api.schema import Out
from bullseye.store import archive
from bullseye.store.errors import NotAllowed

bp = APIBlueprint('archive', __name__, url_prefix='/api/archive', tag='School')
_IN_MEMORY = 20_000_000  # beyond it the file is put together on disk


class TakenInOut(Out):
    """How many rows of each table were taken in."""

    rows: dict[str, int]


class _Passing(tempfile.SpooledTemporaryFile[bytes]):
    """A file that goes when nobody reads it any more: also when the reader has hung up."""

    def __del__(self) -> None:
        self.close()


def _file(name: str, write: Callable[[IO[bytes]], None]) -> Response:
    out = _Passing(max_size=_IN_MEMORY)
    write(out)
    out.seek(0)
    reply = send_file(out, mimetype='application/zip', as_attachment=True, download_name=name)
    reply.headers['Cache-Control'] = 'no-store'
    return reply


@bp.get('/school.zip')
@login_required
@bp.doc(responses={200: 'The school', 401: 'Not signed in', 403: 'For the chief instructor'})
def take_out_school() -> Response:
    """Everything of the school; passwords and secret links are not in it."""
    return _file('school.zip', lambda out: archive.write_out(database(), out, by=person()))


@bp.get('/mine.zip')
@login_required
@bp.doc(responses={200: 'What is kept of this person', 401: 'Not signed in'})
def take_out_mine() -> Response:
    """Everything that is kept of the person who asks."""
    return _file('mine.zip', lambda out: archive.of_person(database(), out, person=person()))


@bp.put('/school')
@login_required
@bp.output(TakenInOut)
@bp.doc(responses=[401, 403, 409, 413, 422])
def take_in_school() -> TakenInOut:
    """Fill an empty school from an archive, all of it or nothing."""
    if person().role != 'chief':  # before the body is read
        raise NotAllowed('only the chief instructor takes a school in')
    with _Passing(max_size=_IN_MEMORY) as data:
        shutil.copyfileobj(request.stream, data, 1_000_000)
        data.seek(0)
        return TakenInOut(rows=archive.take_in(database(), data, by=person()))
