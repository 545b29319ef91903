"""The tablet's own position: from the receiver through a piece on the device to the server's reader."""

import gzip
import json
import re
import uuid

import numpy as np
import pytest

from bullseye.core.basis.constants import FPS_PER_KT, FT_PER_M
from bullseye.store.tracks.positions import _columns, _unpacked
from bullseye.tracks.readers import read_track
from tests.device.node import calls, in_node, values

# The store of a device that keeps everything in a list, and a receiver whose positions are given; the rest is ours.
_RECEIVE = """
const { createPinia, setActivePinia } = require('pinia')
setActivePinia(createPinia())
global.window = { isSecureContext: true, addEventListener() {}, setTimeout, clearTimeout }
global.document = { addEventListener() {} }
let give = null, fail = null
Object.defineProperty(global, 'navigator', { value: { geolocation: {
  watchPosition: (take, refuse) => { give = take; fail = refuse; return 1 }, clearWatch: () => undefined } }, configurable: true })
const kept = new Map()
const { device } = load('offline/device')
device.pieces.put = async (row) => { kept.set(row.id, JSON.parse(JSON.stringify(row))); return row.id }
const { useTrack } = load('offline/track')
const { packed } = load('offline/pack')
const track = useTrack()
"""


def receiver(count: int, *, seed: int = 1, tells_more: bool = True) -> list[dict[str, object]]:
    """Positions at 1 Hz as a browser hands them on."""
    rng = np.random.default_rng(seed)
    lat, lon = 47.2 + np.cumsum(rng.normal(0, 3e-4, count)), -38.4 + np.cumsum(rng.normal(0, 4e-4, count))
    found: list[dict[str, object]] = []
    for i in range(count):
        coords: dict[str, object] = {'latitude': lat[i], 'longitude': lon[i], 'accuracy': float(rng.uniform(2, 9))}
        more = {'altitude': float(rng.uniform(20, 400)), 'speed': float(rng.uniform(0, 60)), 'heading': float(i % 360)}
        coords |= more if tells_more else dict.fromkeys(more)
        found.append({'timestamp': 1_790_000_000_000 + i * 1_000 + float(rng.uniform(0, 9)), 'coords': coords})
    return found


def recorded(positions: list[dict[str, object]]) -> list[bytes]:
    """Pieces as they go over the wire."""
    sent = in_node(
        _RECEIVE
        + """
        await track.start(5, 7)
        for (const one of given) give(one)
        await track.stop()
        const pieces = [...kept.values()]
        const bytes = []
        for (const piece of pieces) bytes.push(Buffer.from(await (await packed(piece)).arrayBuffer()).toString('hex'))
        return { bytes, closed: pieces.map((one) => one.closed), whose: pieces.map((one) => [one.sortie_id, one.person_id]) }
        """,
        positions,
    )
    assert set(sent['closed']) == {1}
    assert {tuple(one) for one in sent['whose']} == {(5, 7)}
    return [bytes.fromhex(one) for one in sent['bytes']]


def test_what_the_receiver_told_is_what_the_server_reads():
    positions = receiver(1_500)
    pieces = recorded(positions)
    assert len(pieces) == 3  # ten minutes each
    columns = [_columns(_unpacked(one)) for one in pieces]
    track = read_track(json.dumps({'pieces': columns}).encode())
    told = [one['coords'] for one in positions]
    assert track.count == len(positions)
    np.testing.assert_allclose(track.time_s, [one['timestamp'] / 1_000 for one in positions], atol=6e-4)
    np.testing.assert_allclose(track.lat_deg, [one['latitude'] for one in told], atol=6e-8)
    np.testing.assert_allclose(track.lon_deg, [one['longitude'] for one in told], atol=6e-8)
    np.testing.assert_allclose(track.height_ft, [one['altitude'] * FT_PER_M for one in told], atol=0.17)
    np.testing.assert_allclose(track.speed_kt, [one['speed'] * FT_PER_M / FPS_PER_KT for one in told], atol=0.011)
    np.testing.assert_allclose(track.course_deg_true, [one['heading'] for one in told], atol=0.06)


def test_a_receiver_that_tells_only_places_sends_no_empty_columns():
    (piece,) = recorded(receiver(40, tells_more=False))
    assert sorted(json.loads(gzip.decompress(piece))) == ['acc', 'lat', 'lon', 't']


def test_a_receiver_that_stands_says_not_a_number_and_that_is_unknown():
    positions = receiver(10)
    for one in positions[3:6]:
        one['coords'] |= {'heading': None, 'speed': None}  # type: ignore[operator]
    (piece,) = recorded(positions)
    columns = json.loads(gzip.decompress(piece))
    assert columns['crs'][3:6] == columns['spd'][3:6] == [None] * 3
    assert None not in columns['alt']


def test_three_hours_at_one_a_second_stay_small_on_the_wire():
    pieces = recorded(receiver(3 * 3_600))
    assert len(pieces) == 18
    assert sum(map(len, pieces)) < 2e6


def test_a_dead_battery_costs_five_seconds():
    kept = in_node(
        _RECEIVE
        + """
        await track.start(5, 7)
        const after = []
        for (const [i, one] of given.entries()) {
          give(one)
          await new Promise((done) => setTimeout(done, 0))
          const rows = [...kept.values()]
          after.push([i + 1, rows.reduce((sum, row) => sum + row.t.length, 0), rows.map((row) => row.closed)])
        }
        return after
        """,
        receiver(23),
    )
    assert all(given - held < 5 for given, held, _ in kept)
    assert kept[-1] == [23, 20, [0]]


def test_a_position_that_is_not_allowed_ends_the_recording_and_says_so():
    said = in_node(
        _RECEIVE
        + """
        await track.start(5, 7)
        fail({ code: 2, PERMISSION_DENIED: 1 })
        const for_now = [track.problem, track.sortieId]
        give(given[0])
        const again = track.problem
        fail({ code: 1, PERMISSION_DENIED: 1 })
        await new Promise((done) => setTimeout(done, 0))
        return { for_now, again, denied: [track.problem, track.sortieId] }
        """,
        receiver(1),
    )
    assert said['for_now'] == ['There is no position now. Recording goes on when there is one.', 5]
    assert said['again'] == ''
    assert said['denied'][0].startswith('This page may not use the position')
    assert said['denied'][1] is None


def test_without_a_secure_page_there_is_no_position_and_that_is_said():
    problem = in_node(
        _RECEIVE + 'window.isSecureContext = false; await track.start(5, 7); return [track.problem, give]'
    )
    assert 'https' in problem[0]
    assert problem[1] is None


def test_differences_add_up_to_what_they_came_from():
    rng = np.random.default_rng(6)
    columns = [[int(v) for v in rng.integers(-(2**50), 2**50, size)] for size in (0, 1, 2, 900)]
    for column, differences in zip(
        columns, values('offline/pack', [['differences', one] for one in columns]), strict=True
    ):
        assert [int(v) for v in np.cumsum(np.array(differences, dtype=np.int64))] == column


def test_ids_made_on_the_device_are_random_uuids():
    made = [one['value'] for one in calls('offline/ids', [['newId']] * 300)]
    assert len(set(made)) == 300
    for one in made:
        assert uuid.UUID(one).version == 4
        assert uuid.UUID(one).variant == uuid.RFC_4122
        assert re.fullmatch(r'[0-9a-f-]{36}', one)


@pytest.mark.parametrize(
    ('answer', 'status', 'message', 'fields'),
    [
        (
            [422, {'message': 'Wrong.', 'fields': {'spot_ft': 'at most 20000'}}],
            422,
            'Wrong.',
            {'spot_ft': 'at most 20000'},
        ),
        ([403, {'code': 'csrf', 'message': 'Token.'}], 401, 'Token.', {}),
        ([500, None], 500, 'The server failed.', {}),
        (None, 0, 'No connection to Bullseye. It will work again when the connection is back.', {}),
    ],
)
def test_every_failure_of_the_server_is_one_kind_of_error(answer, status, message, fields):
    seen = in_node(
        """
        const { answered, ApiError } = load('api/client')
        const call = given === null ? Promise.reject(new TypeError('failed to fetch'))
          : Promise.resolve({ error: given[1] ?? undefined, response: { ok: false, status: given[0] } })
        try { await answered(call) } catch (error) {
          return [error instanceof ApiError, error.status, error.message, error.fields]
        }
        """,
        answer,
    )
    assert seen == [True, status, message, fields]


def test_an_answer_comes_back_as_it_is():
    seen = in_node(
        "const { answered } = load('api/client'); return answered(Promise.resolve({ data: given, response: { ok: true } }))",
        {'laps': [1, 2]},
    )
    assert seen == {'laps': [1, 2]}
