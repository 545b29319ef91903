"""The command line that works without a database: briefs and advice as JSON."""

from __future__ import annotations

import argparse
import json
import os
import sys
from collections.abc import Callable, Iterator
from datetime import UTC, datetime
from pathlib import Path
from typing import IO, Any

from pydantic import TypeAdapter

from bullseye.core.brief.flat import flat_whole_brief, flat_whole_schema
from bullseye.core.brief.request import RefusedRequest, request_schema
from bullseye.core.brief.whole import make_whole_brief
from bullseye.core.brief.whole_request import parse_whole_request, whole_request_schema
from bullseye.core.learn.advice import advice_adapter, advice_request_schema, advise, parse_advice_request
from bullseye.core.practise.asked import film_of, film_schema, sight_of, sight_schema
from bullseye.core.practise.film import Film
from bullseye.core.practise.sight import Sight
from bullseye.demo.fleet import AIRCRAFT, field_files
from bullseye.sim import command as sim_command
from bullseye.tracks import command as tracks_command

REFUSED = 2
NEWER_DATABASE = 4
Answer = Callable[[str], dict[str, Any]]


def _read(text: str) -> Any:
    try:
        return json.loads(text)
    except (json.JSONDecodeError, RecursionError, UnicodeDecodeError) as error:
        raise RefusedRequest({'request': f'not readable as JSON: {error}'}) from None


def brief_from_json(text: str) -> dict[str, Any]:
    """Answer one brief's request given as JSON text.

    :raises RefusedRequest: with a message for each wrong field
    """
    request, plan, report = parse_whole_request(_read(text), aircraft_by_name=AIRCRAFT, now=datetime.now(UTC))
    answer = make_whole_brief(request, plan, weather_warnings=report.warnings if report else ())
    return flat_whole_brief(answer)


def advice_from_json(text: str) -> dict[str, Any]:
    """Answer one request for advice given as JSON text.

    :raises RefusedRequest: with a message for each wrong field
    """
    answer = advise(parse_advice_request(_read(text), aircraft_by_name=AIRCRAFT))
    found: dict[str, Any] = advice_adapter().dump_python(answer, mode='json')
    return found


def sight_from_json(text: str) -> dict[str, Any]:
    """Answer one request for a picture given as JSON text.

    :raises RefusedRequest: with a message for each wrong field
    """
    found: dict[str, Any] = TypeAdapter(Sight).dump_python(sight_of(_read(text)), mode='json')
    return found


def film_from_json(text: str) -> dict[str, Any]:
    """Answer one request for a film given as JSON text.

    :raises RefusedRequest: with a message for each wrong field
    """
    found: dict[str, Any] = TypeAdapter(Film).dump_python(film_of(_read(text), aircraft_by_name=AIRCRAFT), mode='json')
    return found


def _film_schema() -> dict[str, Any]:
    return film_schema(request_schema(list(AIRCRAFT)))


def _answers(lines: IO[str], answer: Answer) -> Iterator[dict[str, Any]]:
    for line in lines:
        if line.strip():
            try:
                yield answer(line)
            except RefusedRequest as error:
                yield {'errors': error.errors}


def _brief_schema() -> dict[str, Any]:
    return {
        'request': whole_request_schema(request_schema(list(AIRCRAFT))),
        'answer': flat_whole_schema(),
    }


def _advice_schema() -> dict[str, Any]:
    return {
        'request': advice_request_schema(request_schema(list(AIRCRAFT))),
        'answer': advice_adapter().json_schema(mode='serialization'),
    }


def _reply(arguments: argparse.Namespace) -> int:
    """Answer one request, or one a line, or print the schema of both."""
    answer: Answer = arguments.answer
    if arguments.schema:
        print(json.dumps(arguments.describe(), indent=2, ensure_ascii=False))
        return 0
    source = arguments.json or '-'
    try:
        stream = sys.stdin if source == '-' else Path(source).open(encoding='utf-8')  # noqa: SIM115
    except OSError as error:
        print(f'{source}: {error.strerror}', file=sys.stderr)
        return REFUSED
    with stream:
        try:
            if arguments.lines:
                for one in _answers(stream, answer):
                    print(json.dumps(one, ensure_ascii=False, allow_nan=False))
                return 0
            print(json.dumps(answer(stream.read()), indent=2, ensure_ascii=False, allow_nan=False))
        except RefusedRequest as error:
            for field, message in error.errors.items():
                print(f'{field}: {message}', file=sys.stderr)
            return REFUSED
        except UnicodeDecodeError:
            print('request: not readable as UTF-8 text', file=sys.stderr)
            return REFUSED
    return 0


def _prepare(arguments: argparse.Namespace) -> int:
    """Migrate a database and fill it; print what the terminal shall tell."""
    from bullseye.demo import seed
    from bullseye.store.database import open_engine, session_maker
    from bullseye.store.people import joining
    from bullseye.store.whole import erasing
    from bullseye.store.whole.upgrade import NewerDatabase, upgrade

    url = os.environ['BULLSEYE_DATABASE_URL']
    try:
        upgrade(url)
    except NewerDatabase as error:
        print(error, file=sys.stderr)
        return NEWER_DATABASE
    today = datetime.now().astimezone().date()
    with session_maker(open_engine(url))() as db:
        if again := erasing.erase_again(db):
            print(f'Erased again, as was done after this database was backed up: {again} of its people.')
        if arguments.school:
            if joining.needs_set_up(db):
                print(f'First run: open the address and enter this one-time code: {joining.new_setup_code(db)}')
            return 0
        seed.seed(db, today=today, with_history=True)
        seed.bring_forward(db, today=today)
        print(f'Demo school, all made up. Sign in with one click, or with the password {seed.PASSWORD}:')
        for person in joining.demo_people(db):
            print(f'  {person.role:<11} {person.login}')
    return 0


def _work(_: argparse.Namespace) -> int:
    from bullseye.jobs.worker import work

    work(os.environ['BULLSEYE_DATABASE_URL'])
    return 0


def main(argv: list[str] | None = None) -> int:
    """Run one command; the exit code is 2 when the input was refused."""
    parser = argparse.ArgumentParser(prog='bullseye', description='Coaching landings, in feet.')
    commands = parser.add_subparsers(dest='command', required=True)
    kinds: tuple[tuple[str, str, Answer, Callable[[], dict[str, Any]]], ...] = (
        ('brief', 'work out one lesson from a JSON request', brief_from_json, _brief_schema),
        ('advise', 'learn from laps and say what to fly next', advice_from_json, _advice_schema),
        ('sight', 'what is seen from one place: directions and pixels', sight_from_json, sight_schema),
        ('film', 'a whole approach as poses, with what happens in it', film_from_json, _film_schema),
    )
    for name, words, answer, describe in kinds:
        command = commands.add_parser(name, help=words)
        command.add_argument('--json', metavar='FILE', help='the request; - for standard input')
        command.add_argument('--lines', action='store_true', help='one request a line in, one answer a line out')
        command.add_argument('--schema', action='store_true', help='print the JSON Schema of request and answer')
        command.set_defaults(run=_reply, answer=answer, describe=describe)
    tracks = commands.add_parser('analyse', help='find laps, takeoffs and touchdowns in recorded tracks')
    tracks_command.add_arguments(tracks, aircraft=AIRCRAFT)
    simulated = commands.add_parser('sim', help='simulated stand-ins: a weather station, a flight, a receiver')
    sim_command.add_arguments(simulated, fields=field_files())
    prepare = commands.add_parser('prepare', help='migrate the database and fill it; ./bullseye up calls this')
    kind = prepare.add_mutually_exclusive_group(required=True)
    kind.add_argument('--demo', action='store_true', help='with the made-up school')
    kind.add_argument('--school', action='store_true', help='for a school of its own')
    prepare.set_defaults(run=_prepare)
    work = commands.add_parser('work', help='do the background work; ./bullseye up starts this')
    work.set_defaults(run=_work)
    arguments = parser.parse_args(argv)
    try:
        code: int = arguments.run(arguments)
    except BrokenPipeError:
        return 0
    return code


if __name__ == '__main__':
    sys.exit(main())
