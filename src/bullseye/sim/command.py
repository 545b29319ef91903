"""``./bullseye sim``: the simulated stand-ins on the command line."""

from __future__ import annotations

import argparse
import sys

from bullseye.sim.weather import SCENARIOS, station

_PORT = 8766


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Options of the command."""
    kinds = parser.add_subparsers(dest='sim', required=True)
    weather = kinds.add_parser('weather', help='a weather station whose METARs evolve')
    weather.add_argument('--scenario', required=True, choices=sorted(SCENARIOS), help='how the weather goes')
    weather.add_argument('--port', type=int, default=_PORT, help=f'on loopback, {_PORT} if not given')
    weather.add_argument('--speed', type=float, default=1.0, help='scenario minutes that pass in one')
    weather.add_argument('--seed', type=int, default=1, help='another seed, another day of the same kind')
    weather.set_defaults(run=_weather)


def _weather(arguments: argparse.Namespace) -> int:
    if not 1 <= arguments.port <= 65_535 or not 0 < arguments.speed <= 1_000:
        print('--port must be 1 to 65535, --speed above 0 and at most 1000', file=sys.stderr)
        return 2
    try:
        server = station(arguments.scenario, port=arguments.port, speed=arguments.speed, seed=arguments.seed)
    except OSError as error:
        print(f'Port {arguments.port}: {error.strerror}', file=sys.stderr)
        return 2
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
