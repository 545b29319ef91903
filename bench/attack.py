"""An attack on the running application, with figures: what it stands, and what it takes.

    PYTHONPATH=src .venv/bin/python bench/attack.py URL    # of a demo school started for this: it is written to

Forty clients write the same rows at once; slow connections; a gigabyte of hostile files; a stranger who asks for
everything by number. Prints one line of figures each; ends with 1 when something was not as it must be.
"""

from __future__ import annotations

import gzip
import http.client
import json
import random
import re
import socket
import subprocess
import sys
import threading
import time
import urllib.error
import urllib.request
import uuid
from collections import Counter
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from http.cookiejar import CookieJar
from typing import Any
from urllib.parse import urlsplit

CLIENTS = 40
HOSTILE_BYTES = 1_000_000_000


class Client:
    """One browser."""

    def __init__(self, base: str) -> None:
        self.base, self.token = base, ''
        self.open = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(CookieJar())).open

    def call(self, method: str, path: str, body: Any = None, raw: bytes | None = None) -> tuple[int, Any]:
        kind = 'application/octet-stream' if raw is not None else 'application/json'
        data = raw if raw is not None else None if body is None else json.dumps(body).encode()
        headers = {'Content-Type': kind, 'X-CSRFToken': self.token, 'If-Match': '*'}
        request = urllib.request.Request(self.base + path, data, headers, method=method)
        try:
            with self.open(request, timeout=60) as reply:
                return reply.status, json.loads(reply.read() or b'null')
        except urllib.error.HTTPError as error:
            with error:
                return error.code, error.read().decode('utf-8', 'replace')
        except (OSError, http.client.HTTPException) as error:
            return 599, str(error)

    def enter(self, name: str) -> Client:
        session = self.call('GET', '/api/session')[1]
        self.token = session['csrf_token']
        person = next(one for one in session['demo_people'] if one['name'].startswith(name))
        self.token = self.call('POST', '/api/session/demo', {'person_id': person['id']})[1]['csrf_token']
        return self


def at_once(acts: list[Callable[[], tuple[int, Any]]]) -> Counter[int]:
    """Do all at the same moment; how often each status came."""
    gate = threading.Barrier(len(acts))

    def one(act: Callable[[], tuple[int, Any]]) -> int:
        gate.wait()
        return act()[0]

    with ThreadPoolExecutor(len(acts)) as pool:
        return Counter(pool.map(one, acts))


def same_rows(base: str) -> bool:
    """Forty clients, every kind of writing, the same ids and names."""
    with ThreadPoolExecutor(CLIENTS) as pool:
        clients = list(pool.map(lambda _: Client(base).enter('Marta'), range(CLIENTS)))
    chief = clients[0]
    ours = chief.call('GET', '/api/catalogue')[1]
    sortie = next(one for one in chief.call('GET', '/api/sorties')[1]['sorties'] if not one['laps'])
    sortie_id, lap_id, file_id = sortie['id'], str(uuid.uuid4()), str(uuid.uuid4())
    aircraft, technique = ours['aircraft'][0], ours['techniques'][0]
    name = f'At once {random.randrange(10**6)}'
    line = '2026-05-14T08:{:02d}:{:02d}Z,47.{:05d},8.5\n'
    csv = 'time,latitude,longitude\n' + ''.join(line.format(k // 60, k % 60, k) for k in range(90))
    track = csv.encode() + lap_id.encode()
    of_aircraft, again = f'/api/aircraft/{aircraft["id"]}', {'name': name, 'spec': technique['spec']}
    student = next(one for one in ours['people'] if one['role'] == 'student')
    kinds: dict[str, Callable[[Client, int], tuple[int, Any]]] = {
        'a lap': lambda c, k: c.call(
            'POST',
            f'/api/sorties/{sortie_id}/laps/sent',
            {
                'changes': [
                    {
                        'lap_id': lap_id,
                        'lap': {'outcome': 'touch_and_go', 'along_ft': 700.0 + k},
                        'writer': {'device': str(uuid.uuid4()), 'number': 1},
                    }
                ]
            },
        ),
        'a technique of one name': lambda c, _: c.call('POST', '/api/techniques', again),
        'an aircraft changed': lambda c, _: c.call(
            'PUT', f'/api/aircraft/{aircraft["id"]}', {'spec': aircraft['spec']}
        ),
        'a sortie changed': lambda c, k: c.call('PATCH', f'/api/sorties/{sortie_id}', {'wind_kt': float(k % 15)}),
        'one file': lambda c, _: c.call('PUT', f'/api/tracks/{file_id}?name=a.csv', raw=track),
        'a limit': lambda c, k: c.call('PATCH', f'/api/people/{student["id"]}', {'crosswind_limit_kt': float(k % 12)}),
        'the school': lambda c, k: c.call('PATCH', '/api/school', {'aim_step_ft': 40.0 + k}),
        'an invitation': lambda c, _: c.call('POST', '/api/invitations', {'name': 'Ada', 'role': 'student'}),
        'the last aircraft': lambda c, _: c.call('DELETE', of_aircraft),
        'brought back': lambda c, _: c.call('POST', f'{of_aircraft}/restore'),
    }
    good = True
    for what, act in kinds.items():
        found = at_once([lambda c=c, k=k, act=act: act(c, k) for k, c in enumerate(clients)])  # type: ignore[misc]
        bad = sum(number for status, number in found.items() if status >= 500)
        good &= bad == 0
        told = ', '.join(f'{number} × {status}' for status, number in sorted(found.items()))
        print(f'{CLIENTS} at once, {what}: {told}')
    laps = chief.call('GET', f'/api/sorties/{sortie_id}/laps')[1]['laps']
    files = [one for one in chief.call('GET', '/api/tracks')[1]['tracks'] if one['id'] == file_id]
    named = [one for one in chief.call('GET', '/api/catalogue')[1]['techniques'] if one['name'] == name]
    print(f'afterwards: {len(laps)} lap, {len(files)} file, {len(named)} technique of that name')
    return good and (len(laps), len(files), len(named)) == (1, 1, 1)


def slow_sockets(base: str, number: int = 64) -> bool:
    """Connections that begin a request and do not go on; how long somebody else waits meanwhile."""
    where = urlsplit(base)
    held = []
    for _ in range(number):
        one = socket.create_connection((where.hostname, where.port), timeout=5)
        one.sendall(b'POST /api/session HTTP/1.1\r\nHost: x\r\nContent-Length: 900\r\n')
        held.append(one)
    time.sleep(0.3)
    waits = []
    for _ in range(10):
        begun = time.perf_counter()
        status, _ = Client(base).call('GET', '/api/health')
        waits.append(time.perf_counter() - begun if status == 200 else 60.0)
    for one in held:
        one.close()
    print(f'{number} slow connections: health answers within {max(waits):.2f} s at worst of ten')
    return max(waits) < 1.0


def hostile_files(base: str) -> bool:
    """A gigabyte of files, unpacked, that are no good; what memory the processes take."""
    chief = Client(base).enter('Marta')
    sent, found, most, files = 0, Counter(), 0.0, 0
    before = _memory_mb()
    rng = random.Random(7)
    head = b'time,latitude,longitude,altitude (ft)\n'
    while sent < HOSTILE_BYTES:
        kind = files % 4
        if kind == 0:
            plain = head + b'2026-05-14T08:30:00Z,47.1,8.2,500\n' * 1_400_000
        elif kind == 1:
            plain = b'<gpx><trk><trkseg>' + b'<trkpt lat="1" lon="1"/>' * 1_800_000
        elif kind == 2:
            plain = b'{"pieces": [' + b'[' * 100_000 + rng.randbytes(40_000_000)
        else:
            plain = b'AXBE\nB' + b'9' * 48_000_000
        raw = gzip.compress(plain + str(files).encode(), compresslevel=1)
        sent, files = sent + len(plain), files + 1
        found[chief.call('PUT', f'/api/tracks/{uuid.uuid4()}?name=x', raw=raw[:49_000_000])[0]] += 1
        most = max(most, _memory_mb())
    for _ in range(240):
        most = max(most, _memory_mb())
        left = [one for one in chief.call('GET', '/api/tracks')[1]['tracks'] if one['state'] in ('waiting', 'working')]
        if not left:
            break
        time.sleep(1)
    time.sleep(3)
    print(
        f'{files} hostile files, {sent / 1e6:,.0f} MB unpacked: {dict(found)}; the largest process took {most:.0f} MB '
        f'({before:.0f} before, {_memory_mb():.0f} after)'
    )
    return most < 500 and not any(status >= 500 for status in found)


def _memory_mb() -> float:
    """Resident memory of the largest process of the application."""
    listed = subprocess.run(['ps', '-eo', 'rss,args'], capture_output=True, text=True, check=True).stdout
    ours = re.findall(r'^\s*(\d+) .*(?:gunicorn|bullseye\.cli work)', listed, re.M)
    return max((int(one) / 1024 for one in ours), default=0.0)


def main() -> int:
    base = sys.argv[1].rstrip('/')
    results = [act(base) for act in (same_rows, slow_sockets, hostile_files)]
    return 0 if all(results) else 1


if __name__ == '__main__':
    sys.exit(main())
