"""``./bullseye sim``: the simulated stand-ins on the command line."""

from __future__ import annotations

import argparse
import contextlib
import gzip
import json
import sys
import time
from collections.abc import Mapping
from pathlib import Path
from typing import Any

import numpy as np

from bullseye.sim.gps import listen, stream
from bullseye.sim.recorder import ERRORS, Recorder, Recording, record
from bullseye.sim.scenarios import SCENARIOS as FLIGHTS
from bullseye.sim.scenarios import scenario_flight
from bullseye.sim.weather import SCENARIOS, station
from bullseye.sim.writers import FORMATS, LANGUAGES, truth, write

_PORT, _MAIL_PORT = 8766, 8768
REFUSED = 2


def add_arguments(parser: argparse.ArgumentParser, *, fields: Mapping[str, Mapping[str, Any]]) -> None:
    """Options of the command.

    :param fields: made-up fields as GeoJSON by the name ``--field`` takes them by; the first is the usual one
    """
    kinds = parser.add_subparsers(dest='sim', required=True)
    weather = kinds.add_parser('weather', help='a weather station whose METARs evolve')
    weather.add_argument('--scenario', required=True, choices=sorted(SCENARIOS), help='how the weather goes')
    weather.add_argument('--port', type=int, default=_PORT, help=f'on loopback, {_PORT} if not given')
    weather.add_argument('--speed', type=float, default=1.0, help='scenario minutes that pass in one')
    weather.add_argument('--seed', type=int, default=1, help='another seed, another day of the same kind')
    weather.set_defaults(run=_weather)

    flight = kinds.add_parser('flight', help='fly a scenario and write what a recorder would have written')
    _flight_options(flight, fields)
    flight.add_argument('--format', choices=FORMATS, default='gpx', help='of the track')
    flight.add_argument('--language', choices=LANGUAGES, default='english', help='of the headings of a CSV file')
    flight.add_argument('-o', '--output', type=Path, metavar='FILE', help='the track; ending in .gz it is gzipped')
    flight.add_argument('--truth', type=Path, metavar='FILE', help='what truly happened, as JSON')
    flight.add_argument('--field-out', type=Path, metavar='FILE', help='the field as GeoJSON')
    flight.set_defaults(run=_flight, fields=fields)

    gps = kinds.add_parser('gps', help='a receiver that streams a scenario as NMEA over TCP')
    _flight_options(gps, fields)
    gps.add_argument('--tcp', required=True, metavar='HOST:PORT', help='where to wait for a reader, 127.0.0.1:8767')
    gps.add_argument('--speed', type=float, default=1.0, help='seconds of flight in one')
    gps.set_defaults(run=_gps, fields=fields)

    mail = kinds.add_parser('mail', help='a mail server that shows the letters it is given, and delivers none')
    mail.add_argument('--port', type=int, default=_MAIL_PORT, help=f'on loopback, {_MAIL_PORT} if not given')
    mail.set_defaults(run=_mail)


def _flight_options(parser: argparse.ArgumentParser, fields: Mapping[str, Mapping[str, Any]]) -> None:
    words = '; '.join(f'{name}: {one.words}' for name, one in FLIGHTS.items())
    parser.add_argument('--scenario', default='pattern', choices=sorted(FLIGHTS), help=words)
    parser.add_argument('--seed', type=int, default=1, help='another seed, another flight of the same kind')
    parser.add_argument('--field', default=next(iter(fields)), help=f'{", ".join(fields)}, or a GeoJSON file')
    parser.add_argument('--runway', help='the first of the field if not given')
    parser.add_argument('--rate', type=float, default=1.0, help='fixes a second, 0.1 to 20')
    parser.add_argument(
        '--errors',
        choices=tuple(ERRORS),
        default='gnss',
        help='of the device; heard: as receivers on the ground hear aeroplanes, with a height of 0 on the wheels',
    )
    parser.add_argument('--no-speed', action='store_true', help='write no speed and course')
    parser.add_argument('--attitude', action='store_true', help='write heading, pitch and bank too')
    parser.add_argument('--airspeed', action='store_true', help='write the airspeed too')
    parser.add_argument('--dropout', action='append', default=[], metavar='FROM:TO', help='seconds without a fix')


def _recording(arguments: argparse.Namespace) -> tuple[Recording, Mapping[str, Any]]:
    """Fly and record as the options say.

    :raises ValueError: for options that make no sense
    """
    if not 0.1 <= arguments.rate <= 20:
        raise ValueError('--rate must be 0.1 to 20')
    field = arguments.fields.get(arguments.field.lower())
    if field is None:
        try:
            field = json.loads(Path(arguments.field).read_text(encoding='utf-8'))
        except (OSError, ValueError):
            names = ', '.join(arguments.fields)
            raise ValueError(
                f'--field {arguments.field}: neither {names} nor a GeoJSON file that can be read'
            ) from None
    try:
        dropouts = [tuple(float(part) for part in text.split(':', 1)) for text in arguments.dropout]
        pairs = [(first, last) for first, last in dropouts]
    except ValueError:
        raise ValueError('--dropout takes seconds from the start, as 300:330') from None
    flown = scenario_flight(arguments.scenario, field_data=field, seed=arguments.seed, runway=arguments.runway)
    recorder = Recorder(
        rate_hz=arguments.rate,
        errors=ERRORS[arguments.errors],
        zero_on_ground=arguments.errors == 'heard',
        with_speed=not arguments.no_speed,
        with_attitude=arguments.attitude,
        with_airspeed=arguments.airspeed,
        dropouts=pairs,
    )
    return record(flown, recorder, np.random.default_rng([arguments.seed, 1])), field


def _flight(arguments: argparse.Namespace) -> int:
    try:
        recording, field = _recording(arguments)
        text = write(recording, arguments.format, language=arguments.language)
        if arguments.output is None:
            sys.stdout.write(text)
        elif arguments.output.suffix == '.gz':
            arguments.output.write_bytes(gzip.compress(text.encode(), mtime=0))
        else:
            arguments.output.write_text(text, encoding='utf-8', newline='')
        if arguments.truth:
            arguments.truth.write_text(truth(recording), encoding='utf-8')
        if arguments.field_out:
            arguments.field_out.write_text(json.dumps(field, indent=2) + '\n', encoding='utf-8')
    except (ValueError, OSError) as error:
        print(str(error), file=sys.stderr)
        return REFUSED
    return 0


def _gps(arguments: argparse.Namespace) -> int:
    host, _, port = arguments.tcp.rpartition(':')
    try:
        if not host or not port.isdigit() or not 1 <= int(port) <= 65_535 or not 0 < arguments.speed <= 1_000:
            raise ValueError('--tcp is HOST:PORT with a port of 1 to 65535, --speed above 0 and at most 1000')
        recording, _ = _recording(arguments)
        server = listen(host, int(port))
    except (ValueError, OSError) as error:
        print(str(error), file=sys.stderr)
        return REFUSED
    print(f'Receiver waits for a reader at {arguments.tcp}. Ctrl-C stops it.', flush=True)
    with server:
        try:
            print(f'{stream(server, recording, speed=arguments.speed)} fixes sent.')
        except KeyboardInterrupt:
            return 0
    return 0


def _weather(arguments: argparse.Namespace) -> int:
    if not 1 <= arguments.port <= 65_535 or not 0 < arguments.speed <= 1_000:
        print('--port must be 1 to 65535, --speed above 0 and at most 1000', file=sys.stderr)
        return REFUSED
    try:
        server = station(arguments.scenario, port=arguments.port, speed=arguments.speed, seed=arguments.seed)
    except OSError as error:
        print(f'Port {arguments.port}: {error.strerror}', file=sys.stderr)
        return REFUSED
    words = SCENARIOS[arguments.scenario][0]
    print(f'Weather station, {arguments.scenario}: {words}.')
    print(f'It is at http://127.0.0.1:{arguments.port}; start Bullseye with')
    print(f'  ./bullseye up --weather http://127.0.0.1:{arguments.port}')
    print('Ctrl-C stops it.', flush=True)
    try:
        server.serve_forever()
    except KeyboardInterrupt:
        server.server_close()
    return 0


def _mail(arguments: argparse.Namespace) -> int:
    from bullseye.sim.post import post_office

    if not 1 <= arguments.port <= 65_535:
        print('--port must be 1 to 65535', file=sys.stderr)
        return REFUSED
    office = post_office(lambda letter: print(letter.as_string(), end='\n\n', flush=True), port=arguments.port)
    try:
        office.start()
    except OSError as error:
        print(f'Port {arguments.port}: {error.strerror}', file=sys.stderr)
        return REFUSED
    print(f'Mail server; start Bullseye with BULLSEYE_MAIL_URL=smtp://127.0.0.1:{arguments.port} and a sender in')
    print('BULLSEYE_MAIL_FROM, such as desk@lantern-bay.example. Ctrl-C stops it.', flush=True)
    with contextlib.suppress(KeyboardInterrupt):
        while True:
            time.sleep(3_600)
    office.stop()
    return 0
