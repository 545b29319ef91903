"""What waits on the device laid over what the server has, against a plain account of the same taps."""

from typing import Any

import numpy as np
import pytest

from tests.device.node import in_node, values


def one_of(rng: np.random.Generator, options: list[Any]) -> Any:
    return options[int(rng.integers(len(options)))]


LAPS = ['lap-a', 'lap-b', 'lap-c', 'lap-d']


def change(
    number: int, lap_id: str, along_ft: float | None, had_revision: int | None = None, **more: Any
) -> dict[str, Any]:
    """One waiting change; ``along_ft`` None takes the lap away."""
    written = None
    if along_ft is not None:
        written = {'outcome': 'touch_and_go', 'along_ft': along_ft, 'flown_at': f'2026-05-14T10:{number % 60:02d}:00Z'}
    usual = {'sortie_id': 1, 'person_id': 7, 'refused': '', 'fields': {}}
    return usual | {'number': number, 'lap_id': lap_id, 'values': written, 'had_revision': had_revision} | more


def of_server(lap_id: str, along_ft: float, *, minute: int, revision: int = 1) -> dict[str, Any]:
    return {
        'id': lap_id,
        'outcome': 'touch_and_go',
        'along_ft': along_ft,
        'flown_at': f'2026-05-14T10:{minute:02d}:00Z',
        'revision': revision,
        'known_by': {},
        'marks': [],
    }


def test_of_many_changes_of_a_lap_the_last_is_sent_against_what_was_first_seen():
    rng = np.random.default_rng(31)
    asked, answers = [], []
    for _ in range(12):
        count = int(rng.integers(1, 26))
        waiting = [
            change(n, one_of(rng, LAPS), one_of(rng, [None, 100.0 * n]), one_of(rng, [None, n]))
            for n in range(1, count + 1)
        ]
        expected: dict[str, dict[str, Any]] = {}
        for one in waiting:
            first = expected.pop(one['lap_id'], one)
            expected[one['lap_id']] = one | {'had_revision': first['had_revision']}
        shuffled = [waiting[i] for i in rng.permutation(count)]
        asked.append(['latestOfEach', shuffled])
        answers.append(list(expected.values()))  # in the order in which each was changed last
    assert values('offline/outbox', asked) == answers


def test_what_waits_is_laid_over_what_the_server_has():
    rng = np.random.default_rng(32)
    asked, expected = [], []
    for _ in range(60):
        laps = [
            of_server(lap, int(rng.integers(2_000)), minute=int(rng.integers(60))) for lap in LAPS if rng.random() < 0.6
        ]
        waiting = [
            change(n, one_of(rng, LAPS), one_of(rng, [None, float(rng.integers(2_000))]))
            for n in range(1, int(rng.integers(1, 9)))
        ]
        stand = {one['id']: (one['along_ft'], one['flown_at']) for one in laps}
        for one in waiting:
            stand.pop(one['lap_id'], None)
            if one['values'] is not None:
                stand[one['lap_id']] = (one['values']['along_ft'], one['values']['flown_at'])
        asked.append(['shownLaps', laps, waiting])
        order = sorted(stand, key=lambda lap: (stand[lap][1], lap))
        expected.append([(lap, stand[lap][0], i) for i, lap in enumerate(order, start=1)])
    for shown, stands in zip(values('offline/shown', asked), expected, strict=True):
        assert [(one['id'], one['values']['along_ft'], one['number']) for one in shown] == stands


def test_a_lap_is_the_servers_only_while_nothing_of_it_waits():
    laps = [of_server('lap-a', 900, minute=1), of_server('lap-b', 950, minute=2)]
    (shown,) = values('offline/shown', [['shownLaps', laps, [change(1, 'lap-b', 700, 1)]]])
    assert [one['waits'] for one in shown] == [False, True]
    assert shown[0]['result'] == laps[0]
    assert shown[1]['result'] is None  # its score would be that of another touchdown


@pytest.mark.parametrize(
    ('revision_read', 'shows'),
    [
        (1, 700),  # read before it was sent: what was sent stands until it has been read anew
        (2, 900),  # what the server has now
        (5, 900),  # and what others made of it since
    ],
)
def test_what_was_sent_stays_on_the_screen_until_the_server_has_been_read(revision_read, shows):
    laps = [of_server('lap-a', 900, minute=1, revision=revision_read)]
    sent = change(4, 'lap-a', 700, 1, sent=True, revision=2)
    (shown,) = values('offline/shown', [['shownLaps', laps, [sent]]])
    (only,) = shown
    assert only['values']['along_ft'] == shows
    assert only['waits'] is False


def test_a_removal_that_was_sent_does_not_come_back_from_an_old_reading():
    laps = [of_server('lap-a', 900, minute=1, revision=1)]
    sent = change(4, 'lap-a', None, 1, sent=True, revision=None)
    assert values('offline/shown', [['shownLaps', laps, [sent]]]) == [[]]


def test_a_refusal_stands_at_its_lap_with_its_fields():
    refused = change(2, 'lap-b', 9_000, refused='along_ft: at most 2790', fields={'along_ft': 'at most 2790'})
    (shown,) = values('offline/shown', [['shownLaps', [of_server('lap-a', 900, minute=1)], [refused]]])
    assert [one['refused'] for one in shown] == ['', 'along_ft: at most 2790']
    assert shown[1]['fields'] == {'along_ft': 'at most 2790'}


def test_a_lap_read_and_written_again_loses_nothing():
    lap = of_server('lap-a', 900, minute=1) | {
        'lateral_ft': -8,
        'threshold_speed_kias': 61,
        'float_s': 4.5,
        'drift': 'left',
        'bounced': True,
        'ballooned': False,
        'wind_dir_deg_mag': 60,
        'wind_kt': 9,
        'aim_point_ft': 320,
        'landing': 'short_field',
        'runway_end_id': 3,
        'liftoff_ft': 800,
        'spot_ft': 700,
        'marks': ['flat'],
        'note': 'Late on the flare',
        'excluded': 'gust',
        'flown_by': 'student',
        'known_by': {'float_s': 'timed'},
    }
    (written,) = values('offline/shown', [['asWritten', lap]])
    of_the_server_alone = {'id', 'revision'}
    assert written == {name: value for name, value in lap.items() if name not in of_the_server_alone}


def test_undo_takes_back_the_last_step_first_and_puts_it_back_when_it_fails():
    seen = in_node(
        """
        const { createPinia, setActivePinia } = require('pinia')
        setActivePinia(createPinia())
        const { useUndo } = load('stores/undo')
        const undo = useUndo(), did = []
        undo.done('first', async () => did.push('first back'))
        undo.done('second', async () => { if (did.length === 0) { did.push('failed'); throw new Error('No network.') }
                                         did.push('second back') })
        await undo.undo()
        const after_failure = [undo.steps.map((one) => one.what), undo.problem]
        await undo.undo(); await undo.undo(); await undo.undo()
        for (let i = 0; i < 450; i++) undo.done(`step ${i}`, async () => undefined)
        return { after_failure, did, problem: undo.problem, kept: undo.steps.length, last: undo.steps.at(-1).what }
        """
    )
    assert seen['after_failure'] == [['first', 'second'], 'No network.']
    assert seen['did'] == ['failed', 'second back', 'first back']
    assert seen['problem'] == ''
    assert (seen['kept'], seen['last']) == (400, 'step 449')


def test_while_an_answer_is_awaited_only_the_newest_question_is_kept():
    seen = in_node(
        """
        const { useLatest } = load('composables/useLatest')
        const asked = [], answered = [], open = []
        const latest = useLatest((question) => { asked.push(question); return new Promise((done, fail) => open.push({ done, fail })) },
                                 (answer) => answered.push(answer))
        const turn = () => new Promise((done) => setTimeout(done, 0))
        for (let i = 1; i <= 40; i++) void latest.ask(i)
        await turn()
        open.shift().done('to 1'); await turn()
        open.shift().done('to 40'); await turn()
        // an answer to what was asked before it was cleared is dropped
        void latest.ask(41); await turn()
        latest.clear(); open.shift().done('to 41'); await turn()
        void latest.ask(42); await turn()
        open.shift().fail(new Error('Out of reach.')); await turn()
        const problem = latest.problem.value
        void latest.ask(43); await turn()
        open.shift().done('to 43'); await turn()
        return { asked, answered, problem, after: latest.problem.value }
        """
    )
    assert seen['asked'] == [1, 40, 41, 42, 43]
    assert seen['answered'] == ['to 1', 'to 40', 'to 43']
    assert seen['problem'] == 'Out of reach.'
    assert seen['after'] == ''


def told(events: list[dict[str, Any]]) -> dict[str, Any]:
    """What waits after some things have happened, one after another."""
    box: dict[str, Any] = {'kept': [], 'early': [], 'memory': [], 'settling': [], 'held': 0}
    for event in events:
        (box,) = values('offline/outbox', [['next', box, event]])
    return box


def test_a_change_is_in_one_place_or_on_its_way_to_the_next_and_never_in_none():
    """The life of one tap: kept on the disk, told by its watch, taken by the server, read from it."""
    one = change(4, 'lap-a', 900, None)
    kept = [{'is': 'written', 'row': one}]
    assert [row['number'] for row in told(kept)['early']] == [4]
    watched = [*kept, {'is': 'told', 'rows': [one]}]
    box = told(watched)
    assert (box['early'], [row['number'] for row in box['kept']]) == ([], [4])
    taken = {'is': 'taken', 'ops': [one], 'taken': {'lap-a': {'number': 4, 'revision': 7}}}
    sent = [*watched, taken, {'is': 'told', 'rows': []}]
    box = told(sent)
    assert box['kept'] == []
    assert [(row['number'], row['sent'], row['revision']) for row in box['settling']] == [(4, True, 7)]
    assert told([*sent, {'is': 'settled', 'sortieId': 2}])['settling']  # another sortie's results
    assert told([*sent, {'is': 'settled', 'sortieId': 1}])['settling'] == []


def test_what_is_tapped_while_another_change_is_taken_goes_on_waiting():
    first, second = change(4, 'lap-a', 900, None), change(5, 'lap-a', 950, None)
    taken = {'is': 'taken', 'ops': [first], 'taken': {'lap-a': {'number': 4, 'revision': 7}}}
    box = told([{'is': 'written', 'row': first}, {'is': 'written', 'row': second}, taken])
    assert [row['number'] for row in box['early']] == [5]
    assert [row['number'] for row in box['settling']] == [4]


def test_what_no_disk_keeps_is_numbered_after_all_that_one_does_and_before_all_that_will_be():
    box = told([{'is': 'told', 'rows': [change(9, 'lap-a', 900)]}, {'is': 'held', 'row': change(0, 'lap-b', 700)}])
    box2 = told(
        [
            {'is': 'told', 'rows': [change(9, 'lap-a', 900)]},
            {'is': 'held', 'row': change(0, 'lap-b', 700)},
            {'is': 'held', 'row': change(0, 'lap-c', 800)},
        ]
    )
    assert 9 < box['memory'][0]['number'] < 10
    assert 9 < box2['memory'][0]['number'] < box2['memory'][1]['number'] < 10
    assert [row['in_memory'] for row in box2['memory']] == [1, 2]
    marked = {'is': 'refused', 'op': box2['memory'][0], 'message': 'no', 'fields': {'along_ft': 'no'}}
    (after,) = values('offline/outbox', [['next', box2, marked]])
    assert [row['refused'] for row in after['memory']] == ['no', '']
    (again,) = values('offline/outbox', [['next', after, {'is': 'again', 'lapId': 'lap-b'}]])
    assert [(row['refused'], row['fields']) for row in again['memory']] == [('', {}), ('', {})]
    (dropped,) = values('offline/outbox', [['next', after, {'is': 'dropped', 'lapId': 'lap-b'}]])
    assert [row['lap_id'] for row in dropped['memory']] == ['lap-c']
    (kept,) = values('offline/outbox', [['next', after, {'is': 'written', 'row': change(10, 'lap-c', 810)}]])
    assert [row['lap_id'] for row in kept['memory']] == ['lap-b']  # the disk has all of it now


@pytest.mark.parametrize(
    ('status', 'is_last_word'),
    [
        *[(0, False), (401, False), (403, True), (404, True), (408, False), (409, True), (413, True), (422, True)],
        *[(429, False), (500, False), (502, False), (503, False)],
    ],
)
def test_only_the_last_word_of_the_server_is_a_refusal(status: int, is_last_word: bool):
    assert in_node(_REFUSAL, [status, 'invalid_input']) is is_last_word
    # what somebody between says, a portal or a proxy, who knows no kind of refusal of ours, is no last word at all
    assert in_node(_REFUSAL, [status, '']) is False


_REFUSAL = """
const { ApiError } = load('api/client')
return load('offline/refusal').isRefusal(new ApiError(given[0], 'x', {}, undefined, 0, given[1]))
"""
