"""Twenty instructors at once: what-if briefs, reading laps and writing them. Budget: p95 under 80 ms on 2 cores."""

import json
import random
import statistics
import threading
import time
import urllib.request
import uuid
from collections import defaultdict
from http.cookiejar import CookieJar
from typing import Any

from serving import serving

USERS = 20
ROUNDS = 15
THINK_S = 1.0  # an instructor who drags and taps without pause


class User:
    """One instructor's browser."""

    def __init__(self, base: str) -> None:
        self.base = base
        self.open = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(CookieJar())).open
        self.token = ''
        self.token = self.call('GET', '/api/session')['csrf_token']
        demo = self.call('GET', '/api/session')['demo_people'][0]['id']
        self.token = self.call('POST', '/api/session/demo', {'person_id': demo})['csrf_token']

    def call(self, method: str, path: str, body: Any = None) -> Any:
        headers = {'Content-Type': 'application/json', 'X-CSRFToken': self.token, 'If-Match': '*'}
        data = None if body is None else json.dumps(body).encode()
        with self.open(urllib.request.Request(self.base + path, data, headers, method=method), timeout=20) as reply:
            return json.loads(reply.read() or 'null')


def work(user: User, sortie: int, taken: dict[str, list[float]], begin: threading.Barrier) -> None:
    """Drag, tap, look; note how long each answer took."""

    def timed(name: str, *arguments: Any) -> None:
        began = time.perf_counter()
        user.call(*arguments)
        taken[name].append((time.perf_counter() - began) * 1e3)
        time.sleep(THINK_S)

    begin.wait()
    time.sleep(random.uniform(0, THINK_S))  # twenty people do not tap in step
    for number in range(ROUNDS):
        timed('what-if brief', 'POST', f'/api/sorties/{sortie}/brief', {'wind_kt': 5 + number % 10})
        timed('read sorties', 'GET', '/api/sorties')
        if number % 5 == 4:
            change = {
                'lap_id': str(uuid.uuid4()),
                'lap': {'outcome': 'touch_and_go', 'along_ft': 800.0 + number},
                'writer': {'device': str(uuid.uuid4()), 'number': 1},
            }
            timed('write a lap', 'POST', f'/api/sorties/{sortie}/laps/sent', {'changes': [change]})
        timed('read laps', 'GET', f'/api/sorties/{sortie}/laps')


with serving(8799) as base:
    users = [User(base) for _ in range(USERS)]
    choices = users[0].call('GET', '/api/catalogue')
    students = [one['id'] for one in choices['people'] if one['role'] == 'student']
    planned = {
        'aircraft_id': choices['aircraft'][0]['id'],
        'runway_end_id': choices['airfields'][0]['ends'][0]['id'],
        'standard_id': choices['standards'][0]['id'],
        'landing': 'normal',
        'wind_kt': 8,
        'wind_dir_deg_mag': 60,
    }
    sorties = [
        user.call('POST', '/api/sorties', planned | {'student_id': students[i % len(students)]})['id']
        for i, user in enumerate(users)
    ]
    taken: dict[str, list[float]] = defaultdict(list)
    begin = threading.Barrier(USERS)
    threads = [threading.Thread(target=work, args=(user, sorties[i], taken, begin)) for i, user in enumerate(users)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    everything = [ms for times in taken.values() for ms in times]
    for name, times in {**taken, 'all': everything}.items():
        p95 = statistics.quantiles(times, n=20)[-1]
        print(f'{name:<14} {len(times):5} calls  median {statistics.median(times):6.1f} ms  p95 {p95:6.1f} ms')
