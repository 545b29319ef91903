"""A simulated weather station: METARs that evolve by a scenario, served over HTTP on loopback."""

from __future__ import annotations

import math
import random
import re
from collections.abc import Callable
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from typing import Any

_IDENT = re.compile(r'/metar/([A-Za-z0-9]{3,4})')
_FRONT_AT_MIN = 20.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Air:
    """Wind [° true, kt] and air at one moment; a direction of None is variable."""

    from_deg_true: float | None
    wind_kt: float
    gust_kt: float | None
    temperature_c: float
    dew_point_c: float
    qnh_hpa: float


def _steady_crosswind(minute: float, chance: random.Random) -> Air:
    return Air(
        from_deg_true=120 + chance.gauss(0, 4),
        wind_kt=10 + chance.gauss(0, 0.8),
        gust_kt=None,
        temperature_c=14 + minute / 120,
        dew_point_c=8,
        qnh_hpa=1016,
    )


def _gusty_front(minute: float, chance: random.Random) -> Air:
    passed = 1 / (1 + math.exp(-(minute - _FRONT_AT_MIN) / 2))
    wind_kt = 9 + 11 * passed + chance.gauss(0, 1)
    gusting = passed > 0.2
    return Air(
        from_deg_true=200 + 90 * passed + chance.gauss(0, 5),
        wind_kt=wind_kt,
        gust_kt=wind_kt + 6 + 8 * passed * chance.random() if gusting else None,
        temperature_c=17 - 6 * passed,
        dew_point_c=11 - 5 * passed,
        qnh_hpa=1006 + 4 * passed + minute / 60,
    )


def _dying_evening(minute: float, chance: random.Random) -> Air:
    wind_kt = max(0.0, 13 * math.exp(-minute / 35) + chance.gauss(0, 0.4) - 0.5)
    return Air(
        from_deg_true=None if 0.5 <= wind_kt < 3 else 60 + chance.gauss(0, 4),
        wind_kt=wind_kt,
        gust_kt=None,
        temperature_c=18 - minute / 30,
        dew_point_c=9,
        qnh_hpa=1021,
    )


def _sea_breeze(minute: float, chance: random.Random) -> Air:
    turned = min(1.0, max(0.0, (minute - 10) / 30))
    wind_kt = abs(7 * (1 - turned) - 11 * turned) + chance.gauss(0, 0.4)
    return Air(
        from_deg_true=None if wind_kt < 3 else (220 if turned < 0.4 else 40) + chance.gauss(0, 5),
        wind_kt=max(1.0, wind_kt),
        gust_kt=None,
        temperature_c=21 - 3 * turned,
        dew_point_c=12 + 2 * turned,
        qnh_hpa=1018,
    )


SCENARIOS: dict[str, tuple[str, Callable[[float, random.Random], Air]]] = {
    'steady-crosswind': ('ten knots across a north-easterly runway, hour after hour', _steady_crosswind),
    'gusty-front': ('a front passes after twenty minutes: the wind veers, rises and gusts', _gusty_front),
    'dying-evening': ('an evening wind that falls to calm within the hour', _dying_evening),
    'sea-breeze': ('a land breeze dies, is variable, and comes back from the sea', _sea_breeze),
}


def metar(ident: str, air: Air, at: datetime) -> str:
    """Write a METAR of what the station measures, rounded as stations round. Source: [pub: WMO No. 306, FM 15]."""
    knots = round(air.wind_kt)
    gust = '' if air.gust_kt is None or round(air.gust_kt) < knots + 5 else f'G{round(air.gust_kt):02d}'
    if knots == 0:
        wind = '00000KT'
    elif air.from_deg_true is None:
        wind = f'VRB{knots:02d}KT'
    else:
        wind = f'{round(air.from_deg_true / 10) * 10 % 360 or 360:03d}{knots:02d}{gust}KT'

    def degrees(value: float) -> str:
        return f'{"M" if round(value) < 0 else ""}{abs(round(value)):02d}'

    temperatures = f'{degrees(air.temperature_c)}/{degrees(air.dew_point_c)}'
    return f'{ident.upper()} {at:%d%H%M}Z {wind} 9999 FEW030 {temperatures} Q{int(air.qnh_hpa):04d}'


def report(scenario: str, ident: str, *, begun: datetime, now: datetime, speed: float = 1.0, seed: int = 1) -> str:
    """What the station of a scenario reports now; the same minute always gives the same report.

    :param begun: when the scenario began
    :param speed: how many scenario minutes pass in one
    """
    minute = math.floor((now - begun) / timedelta(minutes=1) * speed)
    air = SCENARIOS[scenario][1](float(minute), random.Random(f'{seed}/{ident.upper()}/{minute}'))  # noqa: S311
    return metar(ident, air, now)


def station(scenario: str, *, port: int, speed: float = 1.0, seed: int = 1) -> ThreadingHTTPServer:
    """A server on loopback that answers ``/metar/IDENT`` with one line of text."""
    begun = datetime.now(UTC)

    class Handler(BaseHTTPRequestHandler):
        def do_GET(self) -> None:
            asked = _IDENT.fullmatch(self.path)
            if asked is None:
                self.send_error(404, 'ask for /metar/IDENT')
                return
            body = report(scenario, asked[1], begun=begun, now=datetime.now(UTC), speed=speed, seed=seed).encode()
            self.send_response(200)
            self.send_header('Content-Type', 'text/plain; charset=utf-8')
            self.send_header('Content-Length', str(len(body)))
            self.end_headers()
            self.wfile.write(body)

        def log_message(self, format: str, *args: Any) -> None:
            """Say nothing: a station is asked every minute."""

    return ThreadingHTTPServer(('127.0.0.1', port), Handler)
