"""Many who write the same at the same moment: every operation that writes, the same rows, ids and names."""

import os
import threading
from collections import Counter
from concurrent.futures import ThreadPoolExecutor

from sqlalchemy import func, select

from bullseye.store import scope
from bullseye.store.rows.equipment import Technique
from bullseye.store.rows.flying import Lap, LapRevision, Sortie
from bullseye.store.rows.people import User
from bullseye.store.rows.record import LogEntry
from bullseye.store.rows.tracks import Track, TrackFile
from tests.api.conftest import Browser, owner
from tests.api.test_roles import ask, asks, track_id  # noqa: F401  (a fixture)

# BULLSEYE_AT_ONCE=40 is what docs/security.md tells of
CLIENTS = int(os.environ.get('BULLSEYE_AT_ONCE', '8'))
# writes that end the sign-in they come with: whoever asks next signs in anew
ENDS_SIGN_INS = ('/api/sign-ins', '/api/password')
# done by one of them, and the others are told so
BY_ONE = {
    'post /api/logbook',
    'post /api/aircraft',
    'post /api/airfields',
    'post /api/standards',
    'post /api/techniques',
    'post /api/people/{person_id}/erasure',
    'post /api/tracks/{file_id}/sortie',
    'delete /api/sorties/{sortie_id}',
    'delete /api/students/{student_id}/homework/{homework_id}',
}
MAKES_SORTIES = {
    'post /api/sorties',
    'post /api/sorties/{sortie_id}/copy',
    'post /api/students/{student_id}/next-sortie',
    'post /api/students/{student_id}/mock-test',
    'post /api/tracks/{file_id}/sortie',
}


def rows(app, what, *where):
    with owner(app) as db:
        scope.see_every_school(db)
        return db.scalar(select(func.count()).select_from(what).where(*where))


def test_who_writes_the_same_at_the_same_moment_breaks_nothing(app, marta, track_id):  # noqa: F811
    whole = [one for one in asks(marta, track_id) if one.method != 'get']
    counted = (Sortie, Lap, Track, TrackFile, LogEntry, User)
    before = {what: rows(app, what) for what in counted}
    found: dict[str, Counter[int]] = {}

    def signed_in(pool):
        return list(pool.map(lambda _: Browser(app).sign_in('marta'), range(CLIENTS)))

    with ThreadPoolExecutor(CLIENTS) as pool:
        clients = signed_in(pool)
        for one in whole:
            gate = threading.Barrier(CLIENTS)

            def act(client, one=one, gate=gate):
                gate.wait()
                return ask(client, one).status_code

            found.setdefault(f'{one.method} {one.described}', Counter()).update(pool.map(act, clients))
            if one.described.startswith(ENDS_SIGN_INS):
                clients = signed_in(pool)
    told = {key: dict(answers) for key, answers in found.items()}
    done = {key: sum(n for status, n in one.items() if status < 300) for key, one in told.items()}
    assert not {key: one for key, one in told.items() if any(status >= 500 for status in one)}
    # not all turned away at the door: somebody's is taken each time
    assert not [key for key, number in done.items() if not number]
    assert {key: done[key] for key in BY_ONE} == dict.fromkeys(BY_ONE, 1)
    after = {what: rows(app, what) - number for what, number in before.items()}
    assert after == {
        Sortie: sum(done[key] for key in MAKES_SORTIES),
        Lap: 2,  # one that was noted, one of the flight
        Track: 1,
        TrackFile: 2,  # one of the tablet's pieces, one that was given
        LogEntry: 2,  # one that was written, one that was read from a file
        User: 1,  # whoever has the flights of the person that was erased
    }
    assert rows(app, Technique, Technique.name == 'Renamed') == 1
    # each version of a lap that another one covered is kept once
    with owner(app) as db:
        scope.see_every_school(db)
        kept = db.execute(select(LapRevision.lap_id, LapRevision.revision)).all()
    assert len(set(kept)) == len(kept)
