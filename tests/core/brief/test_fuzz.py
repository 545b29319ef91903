"""Requests of any shape: an answer or a list of wrong fields, never anything else; and the summary of any lesson."""

import copy
import json
import math
import statistics
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bullseye.cli import advice_from_json, brief_from_json
from bullseye.core.basis.kinds import NOT_LANDED
from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.request import RefusedRequest
from bullseye.core.explain.diagnosis import diagnose
from bullseye.core.explain.scoring import score_lap
from bullseye.core.explain.summary import mean_parts_ft, summarise
from bullseye.core.measure.lap import MeasuredLap
from tests.core.making import make_request, request_data

WHOLE = {
    'metar': 'METAR LANT 251150Z 06012G18KT 9999 FEW030 14/08 Q1016',
    'time_utc': '2026-11-25T12:10:00Z',
    'aircraft': 'Marram 160',
    'runway': request_data()['runway'],
    'weight_lb': 2_180,
    'landing': 'normal',
    'standard': 'us_private',
    'spot_ft': 500,
}
ADVICE = request_data() | {'laps': [{'aim_ft': 400, 'touchdown_ft': 780, 'threshold_speed_kias': 63, 'float_s': 4.0}]}
JUNK = st.one_of(
    st.none(),
    st.booleans(),
    st.integers(-(10**9), 10**9),
    st.floats(),
    st.text(max_size=12),
    st.lists(st.integers(-5, 5), max_size=3),
    st.dictionaries(st.sampled_from(['ident', 'name', 'wind_kt', 'x']), st.floats(-5, 5), max_size=2),
)


def paths(data: Any, so_far: tuple[Any, ...] = ()) -> list[tuple[Any, ...]]:
    """Every place in a request where something stands."""
    found = [so_far] if so_far else []
    if isinstance(data, dict):
        for name, value in data.items():
            found += paths(value, (*so_far, name))
    elif isinstance(data, list):
        for i, value in enumerate(data):
            found += paths(value, (*so_far, i))
    return found


def changed(data: dict[str, Any], path: tuple[Any, ...], value: Any) -> dict[str, Any]:
    made = copy.deepcopy(data)
    inner: Any = made
    for step in path[:-1]:
        inner = inner[step]
    inner[path[-1]] = value
    return made


def every_number(data: Any) -> list[float]:
    if isinstance(data, dict):
        return [number for value in data.values() for number in every_number(value)]
    if isinstance(data, list | tuple):
        return [number for value in data for number in every_number(value)]
    return [data] if isinstance(data, float) else []


@pytest.mark.parametrize(
    ('ask', 'data'),
    [(brief_from_json, request_data()), (brief_from_json, WHOLE), (advice_from_json, ADVICE)],
    ids=['brief', 'whole brief', 'advice'],
)
@settings(max_examples=120, deadline=None)
@given(draw=st.data())
def test_anything_anywhere_is_answered_or_refused_by_field(ask, data, draw):
    path = draw.draw(st.sampled_from(paths(data)))
    asked = changed(data, path, draw.draw(JUNK))
    answer, refused = {}, None
    try:
        answer = ask(json.dumps(asked))
    except RefusedRequest as error:
        refused = error.errors
    assert answer or refused
    assert all(field and message for field, message in (refused or {}).items())
    assert all(math.isfinite(number) for number in every_number(answer))


@pytest.mark.parametrize('ask', [brief_from_json, advice_from_json])
@given(text=st.text(max_size=60))
def test_any_text_is_refused_in_words(ask, text):
    with pytest.raises(RefusedRequest):
        ask(text)


@given(
    request=st.sampled_from([request_data(), WHOLE, ADVICE]),
    missing=st.sampled_from(['aircraft', 'landing', 'spot_ft']),
)
def test_what_is_missing_is_named(request, missing):
    asked = {name: value for name, value in request.items() if name != missing}
    ask = advice_from_json if 'laps' in asked else brief_from_json
    with pytest.raises(RefusedRequest) as refused:
        ask(json.dumps(asked))
    assert missing in refused.value.errors


LAPS = st.lists(
    st.builds(
        dict,
        outcome=st.sampled_from(['touch_and_go', 'full_stop', 'go_around', 'low_approach']),
        along_ft=st.one_of(st.none(), st.floats(-200, 2_500)),
        threshold_speed_kias=st.one_of(st.none(), st.floats(52, 80)),
        headwind_kt=st.one_of(st.none(), st.floats(-5, 25)),
        float_s=st.one_of(st.none(), st.floats(0, 14)),
        drift=st.sampled_from([None, 'left', 'none', 'right']),
        bounced=st.sampled_from([None, True, False]),
    ),
    max_size=9,
)
REQUEST = make_request(weather={'wind_kt': 8}, calibration={'bias_ft': 40.0, 'scatter_ft': 70.0})
BRIEF = make_brief(REQUEST)


def judged(laps: list[dict[str, Any]]) -> list[tuple[Any, Any, bool]]:
    found = []
    for seen in laps:
        lap = MeasuredLap(**({'outcome': seen['outcome']} if seen['outcome'] in NOT_LANDED else seen))
        explained = diagnose(lap, request=REQUEST, brief=BRIEF)
        found.append(
            (
                score_lap(lap, brief=BRIEF, tolerance=REQUEST.standard.tolerance(REQUEST.landing)),
                explained,
                seen['outcome'] in NOT_LANDED,
            )
        )
    return found


@given(laps=LAPS, next_aim_ft=st.one_of(st.none(), st.floats(-300, 900)))
def test_the_summary_of_any_lesson_counts_what_there_was(laps, next_aim_ft):
    whole = judged(laps)
    found = summarise(whole, next_aim_ft=next_aim_ft)
    errors = [explained.error_ft for _, explained, _ in whole if explained.error_ft is not None]
    assert found.laps == len(laps) == found.landings + found.go_arounds
    assert found.measured == len(errors) <= found.landings
    assert 0 <= found.hits <= found.measured
    # independent reckoning: the standard library's statistics
    assert found.mean_error_ft == (pytest.approx(statistics.mean(errors)) if errors else None)
    assert found.spread_ft == (pytest.approx(statistics.stdev(errors)) if len(errors) > 1 else None)
    assert found.one_change
    if len(errors) < 3:
        assert 'Steadily' not in str(found.one_change)  # fewer cannot tell a habit from chance
    if 'Steadily' in str(found.one_change):
        assert abs(found.mean_error_ft) > 2 * found.spread_ft / math.sqrt(len(errors))
        assert ('long' in str(found.one_change)) == (found.mean_error_ft > 0)


@given(laps=LAPS)
def test_the_mean_of_the_parts_is_the_mean_of_the_errors(laps):
    explained = [
        one
        for _, one, _ in judged(laps)
        if one.error_ft is not None and all(part.feet is not None for part in one.parts)
    ]
    parts = mean_parts_ft(explained)
    if explained:
        assert sum(parts.values()) == pytest.approx(statistics.mean(one.error_ft for one in explained))
    else:
        assert parts == {}
