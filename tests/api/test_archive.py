"""Everything of a school goes out as one file and comes back into an empty school the same."""

import hashlib
import io
import json
import random
import struct
import tracemalloc
import uuid
import zipfile
from contextlib import suppress
from typing import Any

import pytest
from apiflask import APIFlask
from sqlalchemy.exc import InternalError, OperationalError

from bullseye.core.basis.errors import InvalidInput
from bullseye.demo import seed
from bullseye.store import scope
from bullseye.store.rows.people import User
from bullseye.store.whole import apart, archive
from tests.api.conftest import Browser
from tests.api.test_record import entry, student_of
from tests.working import work_off


def taken_out(browser: Browser) -> bytes:
    reply = browser.client.get('/api/archive/school.zip')
    assert reply.status_code == 200, reply.get_data(as_text=True)[:400]
    return reply.get_data()


def rows_of(data: bytes, table: str) -> list[dict[str, Any]]:
    with zipfile.ZipFile(io.BytesIO(data)) as file:
        return [json.loads(line) for line in file.read(f'data/{table}.jsonl').splitlines()]


def take_in(browser: Browser, data: bytes, *, status: int = 200) -> Any:
    return browser.send('/api/archive/school', data, status=status)


def filled(marta: Browser, ines: Browser, url: str) -> None:
    """A school with something of everything."""
    work_off(url)
    student = student_of(marta, 'Ines')
    marta.call('POST', f'/api/students/{student}/signoffs', entry() | {'password': seed.PASSWORD}, status=201)
    marta.call('POST', f'/api/students/{student}/homework', {'kind': 'drill', 'words': 'Ünïcode, "quoted"'}, status=201)
    note = {'code': 'stalls', 'noted': 'practised', 'noted_on': '2026-11-02'}
    marta.call('POST', f'/api/students/{student}/notes', note, status=201)
    line = {'flown_on': '2026-10-02', 'aircraft': 'Marram 160', 'role': 'solo', 'off_block': '09:05:00'}
    ines.call('POST', '/api/logbook', {'line': line}, status=201)
    rows = marta.get('/api/syllabus')['exercises']
    marta.call('PUT', '/api/syllabus', {'exercises': rows[::-1][:10][::-1] + rows[:20]})
    marta.call('PATCH', '/api/school', {'needed_chance': 0.75, 'crosswind_limit_kt': 9.5})


def test_a_school_that_was_taken_out_is_the_same_when_it_is_taken_in(
    marta: Browser, ines: Browser, ada: Browser, demo_url
):
    filled(marta, ines, demo_url)
    data = taken_out(marta)
    with zipfile.ZipFile(io.BytesIO(data)) as file:
        whole = b''.join(file.read(name) for name in file.namelist())
        assert {'manifest.json', 'readable/laps.csv', 'readable/sorties.csv'} <= set(file.namelist())
        assert any(name.startswith('readable/fields/') for name in file.namelist())
        assert any(name.startswith('files/track_file/') for name in file.namelist())
    assert b'$argon2' not in whole  # no password, not even its hash
    counts = take_in(ada, data)['rows']
    assert counts['lap'] == len(rows_of(data, 'lap')) > 40
    # the same laps, judged the same, from what came in
    before = {one['planned_on'] + one['student_name'] + one['landing']: one for one in marta.sorties()}
    after = {one['planned_on'] + one['student_name'] + one['landing']: one for one in ada.sorties()}
    assert before.keys() == after.keys()
    for key, one in before.items():
        there = after[key]
        assert {n: there[n] for n in ('laps', 'aircraft_name', 'runway_ident', 'wind_kt')} == {
            n: one[n] for n in ('laps', 'aircraft_name', 'runway_ident', 'wind_kt')
        }
        was, now = (b.get(f'/api/sorties/{s["id"]}/laps') for b, s in ((marta, one), (ada, there)))
        assert [lap['score'] for lap in now['laps']] == [lap['score'] for lap in was['laps']]
        assert [lap['diagnosis'] for lap in now['laps']] == [lap['diagnosis'] for lap in was['laps']]
        assert now['unreadable'] == []
    for name in ('Ines', 'Owen'):
        was, now = (b.get(f'/api/students/{student_of(b, name)}') for b in (marta, ada))
        same = ('holds', 'holds_not', 'next', 'kinds', 'lesson', 'marks', 'currency', 'needed_chance')
        strip = [{k: v for k, v in one.items() if k in same} for one in (was, now)]
        for one in strip:
            for kind in one['kinds']:
                for mark in kind['latest']:
                    mark.pop('sortie_id')
        assert strip[0] == strip[1]
    student = student_of(ada, 'Ines')
    signed = ada.get(f'/api/students/{student}/signoffs')['signed']
    assert [(one['words'], one['signed_by_name']) for one in signed] == [('Steady.', 'Marta Kowalczyk')]
    assert ada.get(f'/api/students/{student}/homework')['homework'][0]['words'] == 'Ünïcode, "quoted"'
    assert ada.get(f'/api/logbook?person_id={student}')['entries'][0]['line']['off_block'] == '09:05:00'
    assert ada.get('/api/syllabus') == marta.get('/api/syllabus')
    assert ada.get('/api/school')['crosswind_limit_kt'] == 9.5
    tracks = [b.get('/api/tracks')['tracks'] for b in (marta, ada)]
    assert [one['laps'] for one in tracks[1]] == [one['laps'] for one in tracks[0]]
    assert (
        ada.client.get(f'/api/tracks/{tracks[1][0]["id"]}/file').get_data()
        == marta.client.get(f'/api/tracks/{tracks[0][0]["id"]}/file').get_data()
    )
    # out again it holds as much
    again = taken_out(ada)
    for table in ('sortie', 'lap', 'version', 'log_entry', 'sign_off', 'exercise', 'runway_end', 'track_file'):
        assert len(rows_of(again, table)) == len(rows_of(data, table)), table
    take_in(ada, data, status=409)  # it is not empty any more


@pytest.mark.parametrize('damage', ['not a zip', 'cut off', 'changed', 'later', 'without a table'])
def test_a_file_that_is_none_or_is_damaged_is_refused_and_leaves_the_school_empty(marta: Browser, ada: Browser, damage):
    data = taken_out(marta)
    if damage == 'not a zip':
        bad = b'PK nothing'
    elif damage == 'cut off':
        bad = data[: len(data) // 2]
    else:
        out = io.BytesIO()
        with zipfile.ZipFile(io.BytesIO(data)) as file, zipfile.ZipFile(out, 'w') as new:
            for name in file.namelist():
                text = file.read(name)
                if damage == 'without a table' and name == 'data/lap.jsonl':
                    continue
                if damage == 'changed' and name == 'data/lap.jsonl':
                    text = text.replace(b'touch_and_go', b'go_around', 1)
                if damage == 'later' and name == 'manifest.json':
                    text = text.replace(b'"version": 1', b'"version": 9')
                new.writestr(name, text)
        bad = out.getvalue()
    assert 'file' in take_in(ada, bad, status=422)['fields']
    assert ada.sorties() == []
    assert len(ada.get('/api/catalogue')['people']) == 1


def changed(data: bytes, path: str, text: bytes) -> bytes:
    """The same archive with other content under one name, and the digest of that."""
    out = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(data)) as file, zipfile.ZipFile(out, 'w', zipfile.ZIP_DEFLATED) as new:
        manifest = json.loads(file.read('manifest.json'))
        manifest['sha256'][path] = hashlib.sha256(text).hexdigest()
        for name in file.namelist():
            if name not in (path, 'manifest.json'):
                new.writestr(name, file.read(name))
        new.writestr(path, text)
        if path != 'manifest.json':
            new.writestr('manifest.json', json.dumps(manifest))
    return out.getvalue()


def test_a_row_of_another_school_is_refused(marta: Browser, ada: Browser):
    data = taken_out(marta)
    lines = [json.dumps(row | {'school_id': 1}) for row in rows_of(data, 'technique')]
    refused = take_in(ada, changed(data, 'data/technique.jsonl', '\n'.join(lines).encode()), status=422)
    assert 'school_id in technique' in refused['fields']['file']


@pytest.mark.parametrize('path', ['manifest.json', 'data/lap.jsonl', 'files/track_file/0.raw'])
def test_what_unpacks_to_much_is_refused_before_it_is_in_memory(marta: Browser, ada: Browser, path):
    """A few hundred kilobytes that become hundreds of megabytes: bounded by what a file says, and by how it reads."""
    data, much = taken_out(marta), b' ' * 120_000_000
    if path.startswith('files'):
        row = {'id': str(uuid.uuid4()), 'raw': {'file': path}}
        data = changed(data, 'data/track_file.jsonl', json.dumps(row).encode())
    bomb = changed(data, path, much)
    tracemalloc.start()
    try:
        before = tracemalloc.get_traced_memory()[1]
        assert 'at most' in take_in(ada, bomb, status=422)['fields']['file']
        assert tracemalloc.get_traced_memory()[1] - before < len(bomb) + 60_000_000
    finally:
        tracemalloc.stop()


def begin_of(data: bytes, one: zipfile.ZipInfo) -> int:
    """Where a member's own bytes begin: behind its header, whose lengths stand at 26 [pub: APPNOTE of the format]."""
    name, extra = struct.unpack_from('<HH', data, one.header_offset + 26)
    return one.header_offset + 30 + name + extra


def test_a_flipped_bit_is_told_in_words_or_changes_nothing(marta: Browser, ada: Browser, app):
    """Anywhere in what is read and in the directory: where no digest of ours looks, its own does."""
    data = taken_out(marta)
    rng = random.Random(8)  # noqa: S311 - it hides nothing
    with zipfile.ZipFile(io.BytesIO(data)) as file:
        read = [one for one in file.infolist() if not one.filename.startswith('readable/')]
        packed = [one for one in read if one.compress_size > 9]
        places = [begin_of(data, one) + rng.randrange(one.compress_size - 2) for one in packed for _ in range(3)]
        places += [rng.randrange(file.start_dir, len(data)) for _ in range(60)]
    counts: dict[str, int] = {}
    tried = 0
    for tried, place in enumerate(places):
        bad = bytearray(data)
        bad[place] ^= 1 << rng.randrange(8)
        counts = taken(app, ada, bytes(bad), place, by_request=tried % 20 == 0)
        if counts:
            assert counts == {name: len(rows_of(data, name)) for name in counts}
            break  # the school is full now
    assert tried >= 3 * len(packed) > 30


def taken(app: APIFlask, ada: Browser, bad: bytes, place: int, *, by_request: bool) -> dict[str, int]:
    """What came of it, by a request or, as a process a time takes seconds, by what that process runs."""
    if by_request:
        reply = ada.client.put('/api/archive/school', data=bad, headers={'X-CSRFToken': ada.token})
        assert reply.status_code in (200, 422), (place, reply.get_data(as_text=True)[:300])
        told: dict[str, Any] = reply.get_json()
        assert 'file' in told.get('fields', {'file'})
        return dict(told.get('rows', {}))
    with app.extensions['bullseye_sessions']() as db:
        scope.see_every_school(db)
        chief = db.get_one(User, ada.get('/api/session')['person']['id'])
        scope.bind(db, chief.school_id)
        with suppress(InvalidInput):
            return archive.take_in(db, io.BytesIO(bad), by=chief)
        return {}


def test_a_person_takes_out_what_is_kept_of_them_and_of_nobody_else(marta: Browser, ines: Browser):
    data = ines.client.get('/api/archive/mine.zip').get_data()
    laps = rows_of(data, 'lap')
    assert len(laps) == sum(one['laps'] for one in ines.sorties())
    assert {one['student_id'] for one in laps} == {student_of(marta, 'Ines')}
    with zipfile.ZipFile(io.BytesIO(data)) as file:
        assert b'Owen' not in b''.join(file.read(name) for name in file.namelist())
    assert ines.client.get('/api/archive/school.zip').status_code == 403
    assert take_in(ines, data, status=403)['code'] == 'not_allowed'


@pytest.mark.parametrize(
    ('state', 'kind'), [('53100', OperationalError), ('25006', InternalError), (None, OperationalError)]
)
def test_what_the_database_says_to_the_other_process_is_said_here(state, kind):
    """The reply to a full disk, or to a database that only reads, goes by the state of the error."""
    error = apart._trouble(state)
    assert type(error) is kind
    assert getattr(error.orig, 'sqlstate', None) == state


def test_a_file_that_finds_no_room_is_told_as_a_full_disk(marta: Browser, app: APIFlask):
    with app.extensions['bullseye_sessions']() as db, open('/dev/full', 'wb') as full:
        scope.see_every_school(db)
        chief = db.get_one(User, marta.get('/api/session')['person']['id'])
        with pytest.raises(OperationalError) as told:
            apart.run(db, 'out', full, person=chief)
    assert told.value.orig.sqlstate == '53100'
