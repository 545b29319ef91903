"""``./bullseye analyse``: track files on the command line."""

from __future__ import annotations

import argparse
import json
import re
import sys
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path
from typing import TYPE_CHECKING, Any

from tqdm import tqdm

from bullseye.core.basis.constants import TOUCHDOWN_OVER_STALL
from bullseye.core.basis.errors import BullseyeError, InvalidInput
from bullseye.core.given.aircraft import Aircraft
from bullseye.core.model.deceleration import prior_fps2
from bullseye.tracks.fields import Runway, runways_of
from bullseye.tracks.known import Known
from bullseye.tracks.readers import Columns, read_track, unpacked
from bullseye.tracks.readers import as_text as text_of
from bullseye.tracks.readers.columns import columns_from_dict
from bullseye.tracks.readers.csvdetect import detect
from bullseye.tracks.readers.csvtrack import template
from bullseye.tracks.report import as_dict, as_text, cleaned_gpx, events_csv, events_geojson
from bullseye.tracks.track import MOST_BYTES, UnreadableTrack

if TYPE_CHECKING:
    from bullseye.tracks.analyse import Analysis

REFUSED = 2
_Outcome = tuple[Path, str | None, str]  # the file, what to write of it, or why not


def _json(data: Any) -> str:
    return json.dumps(data, indent=2, ensure_ascii=False, allow_nan=False) + '\n'


_FORMS: dict[str, tuple[str, Callable[[Analysis], str]]] = {
    'text': ('txt', lambda found: as_text(found) + '\n'),
    'json': ('json', lambda found: _json(as_dict(found))),
    'csv': ('csv', lambda found: events_csv(as_dict(found)['events'])),
    'geojson': ('geojson', lambda found: _json(events_geojson(as_dict(found)['events']))),
    'gpx': ('gpx', cleaned_gpx),
}
_USUAL_WEIGHT = 0.97  # of the stalling speed: a school's aircraft is rarely at its maximum weight [own]
_SPOT = re.compile(r'([0-9]{1,2}[A-Z]?):(-?\d+(?:\.\d+)?)')


@dataclass(frozen=True)
class _Job:
    """What one process needs for one file."""

    path: Path
    fields: tuple[dict[str, Any], ...]
    known: Known
    columns: Columns | None
    form: str


def add_arguments(parser: argparse.ArgumentParser, *, aircraft: Mapping[str, Aircraft]) -> None:
    """Options of the command.

    :param aircraft: those that ``--aircraft`` may name
    """
    parser.add_argument('tracks', nargs='+', type=Path, metavar='TRACK', help='GPX, IGC, NMEA or CSV, also gzipped')
    parser.add_argument('--field', action='append', default=[], type=Path, help='GeoJSON of a field; may be repeated')
    parser.add_argument('--spot', action='append', default=[], metavar='RUNWAY:FT', help='the spot on a runway, 23:300')
    parser.add_argument(
        '--aircraft', choices=sorted(aircraft), help='its touchdown speed and its deceleration in the hold-off are used'
    )
    parser.add_argument('--columns', type=Path, help='JSON that says what the columns of a CSV file mean')
    parser.add_argument('--show-columns', action='store_true', help='print what they are taken for, and stop')
    parser.add_argument('--json', action='store_const', const='json', dest='form', help='the same as --as json')
    words = 'a table, all of it as JSON, the events as CSV or GeoJSON, or the cleaned track as GPX'
    parser.add_argument('--as', choices=tuple(_FORMS), dest='form', help=words)
    parser.add_argument('--out', type=Path, metavar='DIR', help='write one file for each track here, JSON unless --as')
    parser.add_argument('--jobs', type=int, default=1, help='files analysed side by side')
    parser.set_defaults(run=run, fleet=aircraft, form='text')


def _read_json(path: Path) -> Any:
    try:
        return json.loads(path.read_text(encoding='utf-8'))
    except OSError as error:
        raise UnreadableTrack(f'{path}: {error.strerror}') from None
    except (ValueError, RecursionError):
        raise UnreadableTrack(f'{path}: not readable as JSON') from None


def _spots(texts: Sequence[str]) -> dict[str, float]:
    found = {}
    for text in texts:
        match = _SPOT.fullmatch(text)
        if not match:
            raise InvalidInput('--spot', text, 'a runway and feet from its threshold, as 23:300')
        found[match.group(1)] = float(match.group(2))
    return found


def _known(arguments: argparse.Namespace, fields: Sequence[Mapping[str, Any]]) -> Known:
    spots = _spots(arguments.spot)
    idents = {one.end.ident for data in fields for one in runways_of(data, on=datetime.now(UTC).date())}
    for ident in spots:
        if ident not in idents:
            raise InvalidInput('--spot', ident, ', '.join(sorted(idents)) or 'a runway of a field given with --field')
    aircraft = arguments.fleet.get(arguments.aircraft)
    if aircraft is None:
        return Known(spots_ft=spots)
    slowest = min(flap.stall_kcas for flap in aircraft.flaps)
    return Known(
        spots_ft=spots,
        touchdown_kcas=TOUCHDOWN_OVER_STALL * slowest * _USUAL_WEIGHT,
        deceleration_fps2=prior_fps2(aircraft, aircraft.flaps[-1], weight_lb=aircraft.max_weight_lb),
    )


def _bytes(path: Path) -> bytes:
    try:
        if path.stat().st_size > MOST_BYTES:
            raise UnreadableTrack('the file is larger than 50 MB')
        return path.read_bytes()
    except OSError as error:
        raise UnreadableTrack(str(error.strerror)) from None


def _analysed(job: _Job) -> Analysis:
    from bullseye.tracks.analyse import analyse  # here: the commands beside this one do without what it loads

    track = read_track(_bytes(job.path), columns=job.columns)
    day = datetime.fromtimestamp(float(track.time_s[0]), tz=UTC).date() if track.dated else datetime.now(UTC).date()
    runways: list[Runway] = [one for data in job.fields for one in runways_of(data, on=day)]
    return analyse(track, runways, known=job.known)


def _outcome(job: _Job) -> _Outcome:
    try:
        return job.path, _FORMS[job.form][1](_analysed(job)), ''
    except BullseyeError as error:
        return job.path, None, str(error)


def run(arguments: argparse.Namespace) -> int:
    """Analyse every file; 2 when one of them was refused."""
    try:
        fields = tuple(_read_json(path) for path in arguments.field)
        if not 1 <= arguments.jobs <= 64:
            raise InvalidInput('--jobs', arguments.jobs, '1 to 64')
        columns = columns_from_dict(_read_json(arguments.columns)) if arguments.columns else None
        known = _known(arguments, fields)
        if arguments.show_columns:
            return _show_columns(text_of(unpacked(_bytes(arguments.tracks[0]))))
        if arguments.out:
            arguments.out.mkdir(parents=True, exist_ok=True)
    except (BullseyeError, OSError) as error:
        print(str(error), file=sys.stderr)
        return REFUSED
    form = 'json' if arguments.out and arguments.form == 'text' else arguments.form
    jobs = [_Job(path, fields, known, columns, form) for path in arguments.tracks]
    code = 0
    for path, text, reason in _each(jobs, arguments.jobs):
        if text is None:
            print(f'{path}: {reason}', file=sys.stderr)
            code = REFUSED
        elif arguments.out:
            name = path.name.removesuffix('.gz')
            (arguments.out / f'{name}.{_FORMS[form][0]}').write_text(text, encoding='utf-8', newline='')
        else:
            if len(jobs) > 1 and form == 'text':
                print(f'{path}:')
            sys.stdout.write(text)
    return code


def _show_columns(text: str) -> int:
    """Print how a file is read, ready to be edited and given with ``--columns``; also where nothing was recognised."""
    try:
        shown = detect(text).as_dict()
    except UnreadableTrack as error:
        shown = template(text)
        print(f'{error}. Fill in what each column is and give this with --columns.', file=sys.stderr)
    print(json.dumps(shown, indent=2, ensure_ascii=False))
    return 0


def _each(jobs: Sequence[_Job], workers: int) -> Iterator[_Outcome]:
    """Outcomes in the order of the files, with a progress bar when there are several."""

    def bar(outcomes: Iterable[_Outcome]) -> Iterator[_Outcome]:
        quiet = len(jobs) < 2 or not sys.stderr.isatty()
        return iter(tqdm(outcomes, total=len(jobs), disable=quiet, unit='file'))

    if workers == 1 or len(jobs) == 1:
        yield from bar(map(_outcome, jobs))
        return
    with ProcessPoolExecutor(min(workers, len(jobs))) as pool:
        yield from bar(pool.map(_outcome, jobs))
