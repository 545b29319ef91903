"""What a tablet sends after a time without a network: once, twice, late, out of order, with a wrong clock."""

import gzip
import json
import random
import uuid
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest

from bullseye.demo import seed
from tests.api.conftest import Browser

ONE, TWO = str(uuid.UUID(int=1, version=4)), str(uuid.UUID(int=2, version=4))


def change(lap_id: str, number: int, lap: dict[str, Any] | None, *, device: str = ONE, **writer: Any) -> dict[str, Any]:
    filled = None if lap is None else {'outcome': 'touch_and_go', 'flown_at': '2026-11-20T10:00:00Z'} | lap
    return {'lap_id': lap_id, 'lap': filled, 'writer': {'device': device, 'number': number} | writer}


def send(browser: Browser, sortie: int, *changes: dict[str, Any], status: int = 200) -> list[dict[str, Any]]:
    reply = browser.call('POST', f'/api/sorties/{sortie}/laps/sent', {'changes': list(changes)}, status=status)
    return list(reply.get('results', []))


def laps_of(browser: Browser, sortie: int) -> list[dict[str, Any]]:
    return list(browser.get(f'/api/sorties/{sortie}/laps')['laps'])


def test_whatever_order_and_however_often_changes_come_the_last_tap_stands(marta):
    sortie = marta.sortie_of('Ines')
    ids = [str(uuid.uuid4()) for _ in range(12)]
    made = [(lap_id, 10 * i + step) for i, lap_id in enumerate(ids) for step in range(3)]
    changes = [
        change(lap_id, number, {'along_ft': 700.0 + number, 'flown_at': f'2026-11-20T10:{number // 10:02d}:00Z'})
        for lap_id, number in made
        if number
    ]
    changes.append(change(ids[3], 200, None))  # taken away at the end
    rng = random.Random(7)  # noqa: S311 - an order, not a secret
    for _ in range(4):
        rng.shuffle(changes)
        for at in range(0, len(changes), 7):
            assert all(one['refused'] is None for one in send(marta, sortie, *changes[at : at + 7]))
    found = {lap['id']: lap['along_ft'] for lap in laps_of(marta, sortie)}
    expected = {lap_id: 700.0 + 10 * i + 2 for i, lap_id in enumerate(ids) if i != 3}
    assert found == expected


def test_two_devices_on_one_lap_keep_both_versions(marta):
    sortie, lap_id = marta.sortie_of('Ines'), str(uuid.uuid4())
    send(marta, sortie, change(lap_id, 1, {'along_ft': 700.0}))
    # its own quick second thought is no conflict, though it had not heard of the first
    send(marta, sortie, change(lap_id, 2, {'along_ft': 720.0}, had_revision=1))
    assert laps_of(marta, sortie)[0]['other_versions'] == []
    (answer,) = send(marta, sortie, change(lap_id, 1, {'along_ft': 990.0, 'note': 'late'}, device=TWO, had_revision=1))
    (lap,) = laps_of(marta, sortie)
    assert (lap['along_ft'], lap['note'], lap['revision']) == (990.0, 'late', answer['revision'])
    (other,) = lap['other_versions']
    assert (other['along_ft'], other['revision']) == (720.0, 2)
    # whoever has seen what stands writes over it without a word
    send(marta, sortie, change(lap_id, 3, {'along_ft': 800.0}, had_revision=lap['revision']))
    assert len(laps_of(marta, sortie)[0]['other_versions']) == 1


def test_a_clock_that_is_wrong_by_a_day_is_put_right(marta):
    sortie, now = marta.sortie_of('Ines'), datetime.now(UTC)
    behind = now - timedelta(days=1)
    flown = [behind - timedelta(minutes=40 - 8 * i) for i in range(3)]
    changes = [
        change(
            str(uuid.uuid4()), i + 1, {'along_ft': 700.0 + i, 'flown_at': at.isoformat()}, sent_at=behind.isoformat()
        )
        for i, at in enumerate(flown)
    ]
    send(marta, sortie, *changes)
    laps = laps_of(marta, sortie)
    assert [lap['along_ft'] for lap in laps] == [700.0, 701.0, 702.0]
    for lap, at in zip(laps, flown, strict=True):
        off = datetime.fromisoformat(lap['flown_at']) - (at + timedelta(days=1))
        assert abs(off) < timedelta(seconds=30)


def test_laps_sent_together_are_briefed_as_if_they_had_come_one_by_one(marta):
    sortie, rng = marta.sortie_of('Ines'), random.Random(3)  # noqa: S311 - a lesson, not a secret
    flown = []
    for minute in range(14):
        seen: dict[str, Any] = {'along_ft': 650.0 + 25 * minute, 'threshold_speed_kias': 60.0 + minute % 4}
        if minute % 5 == 4:
            seen = {'outcome': 'go_around'}
        if minute % 6 == 3:
            seen |= {'landing': 'short_field', 'excluded': 'gust' if minute > 5 else None}
        flown.append(seen | {'flown_at': f'2026-11-20T10:{minute:02d}:00Z'})
    flown.append({'along_ft': 900.0, 'flown_at': '2026-11-20T09:00:00Z'})  # an older one comes last
    flown.append({'along_ft': 700.0, 'flown_at': '2026-11-20T10:30:00Z'})

    def briefed() -> list[tuple[float, float]]:
        return [(lap['aim_point_ft'], lap['recommended_aim_point_ft']) for lap in laps_of(marta, sortie)]

    ids = [str(uuid.UUID(int=rng.getrandbits(128), version=4)) for _ in flown]
    send(marta, sortie, *(change(i, n, lap) for n, (i, lap) in enumerate(zip(ids, flown, strict=True), start=1)))
    together = briefed()
    assert len({round(aim) for aim, _ in together}) > 4  # they did learn
    for lap_id in ids:
        marta.remove_lap(sortie, lap_id)
    for lap in flown:
        send(marta, sortie, change(str(uuid.uuid4()), 1, lap))
    for one, other in zip(together, briefed(), strict=True):
        assert one == pytest.approx(other)


def test_a_wrong_lap_among_good_ones_is_refused_alone(marta):
    sortie = marta.sortie_of('Ines')
    good, bad = str(uuid.uuid4()), str(uuid.uuid4())
    answers = send(
        marta,
        sortie,
        change(bad, 1, {'outcome': 'go_around', 'along_ft': 500.0}),
        change(good, 2, {'along_ft': 700.0}),
    )
    assert [one['refused'] is None for one in answers] == [False, True]
    assert list(answers[0]['refused']['fields']) == ['along_ft']
    assert [lap['id'] for lap in laps_of(marta, sortie)] == [good]
    elsewhere = marta.sortie_of('Tobias')
    (answer,) = send(marta, elsewhere, change(good, 3, {'along_ft': 700.0}))
    assert 'another sortie' in answer['refused']['message']
    send(marta, sortie, change(good, 4, {'along_ft': 99_999.0}), status=422)


def test_a_lap_made_and_taken_away_before_the_server_heard_of_it_is_no_error(marta):
    (answer,) = send(marta, marta.sortie_of('Ines'), change(str(uuid.uuid4()), 1, None))
    assert answer['refused'] is None
    assert answer['revision'] is None


def test_only_who_coaches_sends_and_only_to_their_school(app, marta):
    sortie = marta.sortie_of('Ines')
    lap = change(str(uuid.uuid4()), 1, {'along_ft': 700.0})
    ines = Browser(app).sign_in('ines')
    send(ines, sortie, lap, status=403)
    assert ines.get(f'/api/sorties/{sortie}/aboard')['sortie']['student']['name'].startswith('Ines')
    tobias = Browser(app).sign_in('tobias')
    send(tobias, sortie, lap, status=404)
    tobias.get(f'/api/sorties/{sortie}/aboard', status=404)
    ines.get('/api/fleet', status=403)
    assert seed.PASSWORD not in json.dumps(marta.get(f'/api/sorties/{sortie}/aboard'))


def test_a_lap_of_another_kind_and_spot_is_judged_as_such(marta):
    sortie = marta.sortie_of('Tobias')  # planned: normal landings
    kept = marta.put_lap(sortie, along_ft=800.0, landing='short_field', spot_ft=700.0)
    assert (kept['landing'], kept['spot_ft']) == ('short_field', 700.0)
    assert kept['box_ft'] == [700.0, 900.0]  # [pub] FAA-S-ACS-6: short-field 0 to +200 ft, value from memory
    assert kept['score']['hit'] is True
    again = marta.put_lap(sortie, lap_id=kept['id'], along_ft=800.0, landing='normal', spot_ft=700.0)
    assert again['box_ft'] == [700.0, 1_100.0]  # the same, normal: 0 to +400 ft
    brief = marta.call('POST', f'/api/sorties/{sortie}/brief', {'landing': 'short_field', 'spot_ft': 700.0})['brief']
    assert brief['aim']['box_ft'] == [700.0, 900.0]


def test_a_lap_left_out_of_learning_teaches_nothing(marta):
    sortie, lap_id = marta.sortie_of('Ines'), str(uuid.uuid4())
    before = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']
    marta.put_lap(sortie, lap_id=lap_id, along_ft=1_500.0, excluded='gust')
    after = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']
    assert after['aim']['aim_point_ft'] == before['aim']['aim_point_ft']
    assert marta.get(f'/api/sorties/{sortie}/laps')['summary']['measured'] == 0
    marta.put_lap(sortie, lap_id=lap_id, along_ft=1_500.0)
    taught = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']
    assert taught['aim']['aim_point_ft'] < before['aim']['aim_point_ft']


def test_one_lap_never_moves_the_aim_by_more_than_the_schools_step(app, marta):
    sortie = marta.sortie_of('Ines')
    assert marta.call('PATCH', '/api/school', {'aim_step_ft': 2.0})['aim_step_ft'] == 2.0
    steps = []
    aim = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']['aim']['aim_point_ft']
    for minute in range(6):
        marta.put_lap(sortie, along_ft=1_200.0, flown_at=f'2026-11-20T10:{minute:02d}:00Z')
        moved = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']['aim']['aim_point_ft']
        steps.append(abs(moved - aim))
        aim = moved
    assert max(steps) == pytest.approx(2, abs=0.5)
    marta.call('PATCH', '/api/school', {'aim_step_ft': 300.0})
    freed = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']['aim']['aim_point_ft']
    assert abs(freed - aim) > 5
    marta.call('PATCH', '/api/school', {'aim_step_ft': 0.0}, status=422)
    Browser(app).sign_in('elias').call('PATCH', '/api/school', {'aim_step_ft': 50.0}, status=403)


def test_limits_of_school_and_student_reach_the_brief(app, marta):
    sortie = marta.sortie_of('Ines')
    ines = marta.get(f'/api/sorties/{sortie}')['student']['id']
    marta.call('PATCH', '/api/school', {'crosswind_limit_kt': 9.0})
    assert marta.call('PATCH', f'/api/people/{ines}', {'crosswind_limit_kt': 4.0})['crosswind_limit_kt'] == 4.0
    brief = marta.call('POST', f'/api/sorties/{sortie}/brief', {})['brief']
    limits = {one['name']: one['limit_kt'] for one in brief['wind']['crosswind_limits']}
    assert (limits['student'], limits['school']) == (4.0, 9.0)
    people = {one['name']: one['id'] for one in marta.get('/api/catalogue')['people']}
    elias = Browser(app).sign_in('elias')
    assert elias.call('PATCH', f'/api/people/{ines}', {'crosswind_limit_kt': 5.0})['crosswind_limit_kt'] == 5.0
    elias.call('PATCH', f'/api/people/{people["Marta Kowalczyk"]}', {'crosswind_limit_kt': 5.0}, status=403)
    marta.call('PATCH', '/api/people/999999', {'crosswind_limit_kt': 4.0}, status=404)
    Browser(app).sign_in('ines').call('PATCH', f'/api/people/{ines}', {'crosswind_limit_kt': 40.0}, status=403)


def test_the_fleet_tells_which_aircraft_floats_how_far(marta):
    floats = marta.get('/api/fleet')['floats']
    assert {one['aircraft'] for one in floats} >= {'Marram 160'}
    for one in floats:
        assert one['deceleration_low'] < one['deceleration_fps2'] < one['deceleration_high']
        assert one['float_low_ft'] < one['float_ft'] < one['float_high_ft']
    assert [one['float_ft'] for one in floats] == sorted((one['float_ft'] for one in floats), reverse=True)


def track(**more: Any) -> bytes:
    columns = {'t': [1_795_000_000_000, 1_000, 1_000], 'lat': [500_000_000, 9, 9], 'lon': [-300_000_000, 5, 5]}
    return gzip.compress(json.dumps(columns | {'acc': [40, 0, 0]} | more).encode())


def put_track(browser: Browser, sortie: int, raw: bytes, track_id: str, *, status: int, query: str = '') -> Any:
    reply = browser.client.put(
        f'/api/sorties/{sortie}/tracks/{track_id}{query}',
        data=raw,
        headers={'X-CSRFToken': browser.token, 'Content-Type': 'application/gzip'},
    )
    assert reply.status_code == status, reply.get_data(as_text=True)[:400]
    return reply.get_json()


def test_a_piece_of_track_is_kept_once(marta):
    sortie, track_id = marta.sortie_of('Ines'), str(uuid.uuid4())
    for _ in range(2):
        assert put_track(marta, sortie, track(), track_id, status=200)['fixes'] == 3
    (kept,) = marta.get(f'/api/sorties/{sortie}/tracks')['tracks']
    begun, ended = (datetime.fromisoformat(kept[name]) for name in ('begun_at', 'ended_at'))
    assert ended - begun == timedelta(seconds=2)
    put_track(marta, marta.sortie_of('Tobias'), track(), track_id, status=409)


@pytest.mark.parametrize('year', [1970, 2026, 2150])
def test_a_piece_that_a_wrong_clock_dated_is_put_right_by_that_clock(marta, year):
    """What the device's clock shows when it sends tells by how much the positions are off."""
    sortie = marta.sortie_of('Ines')
    ended = datetime.now(UTC).replace(year=year, month=1, day=2, hour=3)
    raw = track(t=[round((ended - timedelta(seconds=2)).timestamp() * 1_000), 1_000, 1_000])
    sent = (ended + timedelta(minutes=20)).isoformat().replace('+00:00', 'Z')
    put_track(marta, sortie, raw, str(uuid.uuid4()), status=200, query=f'?sent_at={sent}')
    (kept,) = marta.get(f'/api/sorties/{sortie}/tracks')['tracks']
    away = datetime.now(UTC) - datetime.fromisoformat(kept['ended_at'])
    assert timedelta(minutes=19) < away < timedelta(minutes=22)
    assert kept['fixes'] == 3
    # dated by a receiver, which knows the hour, it is left as it is; what cannot have been is refused
    put_track(marta, sortie, raw, str(uuid.uuid4()), status=200 if year == 2026 else 422)


@pytest.mark.parametrize(
    'raw',
    [
        b'',
        b'not gzip',
        track()[:-9],
        gzip.compress(b'[' * 100_000),
        gzip.compress(b'{"t": 1}'),
        track(lat=[1, 2]),
        track(t=[0, 1, 1]),
        track(t=[1_795_000_000_000, 1e300, 1]),
        track(lon=[True, 1, 1]),
        gzip.compress(b' ' * 50_000_000),
    ],
    ids=['empty', 'no gzip', 'cut off', 'deep', 'no columns', 'unequal', 'long ago', 'huge', 'boolean', 'bomb'],
)
def test_what_is_no_track_is_refused_and_nothing_is_kept(marta, raw):
    sortie = marta.sortie_of('Ines')
    put_track(marta, sortie, raw, str(uuid.uuid4()), status=422)
    assert marta.get(f'/api/sorties/{sortie}/tracks')['tracks'] == []
