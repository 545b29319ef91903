"""The command line that works without a database: briefs as JSON."""

from __future__ import annotations

import argparse
import json
import sys
from collections.abc import Iterator
from pathlib import Path
from typing import IO, Any

from bullseye.core.brief import answer_adapter, make_brief
from bullseye.core.request import RefusedRequest, parse_request, request_schema
from bullseye.demo.fleet import AIRCRAFT

REFUSED = 2


def brief_from_json(text: str) -> dict[str, Any]:
    """Answer one request given as JSON text.

    :raises RefusedRequest: with a message for each wrong field
    """
    try:
        data = json.loads(text)
    except (json.JSONDecodeError, RecursionError, UnicodeDecodeError) as error:
        raise RefusedRequest({'request': f'not readable as JSON: {error}'}) from None
    answer = make_brief(parse_request(data, aircraft_by_name=AIRCRAFT))
    found: dict[str, Any] = answer_adapter().dump_python(answer, mode='json')
    return found


def _answers(lines: IO[str]) -> Iterator[dict[str, Any]]:
    for line in lines:
        if line.strip():
            try:
                yield brief_from_json(line)
            except RefusedRequest as error:
                yield {'errors': error.errors}


def _brief(arguments: argparse.Namespace) -> int:
    if arguments.schema:
        schema = {
            'request': request_schema(list(AIRCRAFT)),
            'answer': answer_adapter().json_schema(mode='serialization'),
        }
        print(json.dumps(schema, indent=2, ensure_ascii=False))
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
                for answer in _answers(stream):
                    print(json.dumps(answer, ensure_ascii=False, allow_nan=False))
                return 0
            print(json.dumps(brief_from_json(stream.read()), indent=2, ensure_ascii=False, allow_nan=False))
        except RefusedRequest as error:
            for field, message in error.errors.items():
                print(f'{field}: {message}', file=sys.stderr)
            return REFUSED
        except UnicodeDecodeError:
            print('request: not readable as UTF-8 text', file=sys.stderr)
            return REFUSED
    return 0


def main(argv: list[str] | None = None) -> int:
    """Run one command; the exit code is 2 when the input was refused."""
    parser = argparse.ArgumentParser(prog='bullseye', description='Coaching landings, in feet.')
    commands = parser.add_subparsers(dest='command', required=True)
    brief = commands.add_parser('brief', help='work out one landing from a JSON request')
    brief.add_argument('--json', metavar='FILE', help='the request; - for standard input')
    brief.add_argument('--lines', action='store_true', help='one request a line in, one answer a line out')
    brief.add_argument('--schema', action='store_true', help='print the JSON Schema of request and answer')
    brief.set_defaults(run=_brief)
    arguments = parser.parse_args(argv)
    try:
        code: int = arguments.run(arguments)
    except BrokenPipeError:
        return 0
    return code


if __name__ == '__main__':
    sys.exit(main())
