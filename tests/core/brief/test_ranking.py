"""Ranking and table reading on their own, reason by reason."""

import dataclasses

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from bullseye.core.air.sun import Sun
from bullseye.core.air.wind import Components, Wind
from bullseye.core.basis.errors import InvalidInput, OutsideTable
from bullseye.core.basis.tables import read_table, require_rising
from bullseye.core.brief.ranking import Candidate, rank_ends
from bullseye.core.brief.windlimits import exceeded, wind_limits, wind_values_kt
from tests.core.making import make_request

RUNWAY = make_request().runway


def wind(head_kt, cross_kt, gust=1.0):
    return Components(
        head_kt=head_kt,
        cross_kt=cross_kt,
        gust_head_kt=None if head_kt is None else head_kt * gust,
        gust_cross_kt=None if cross_kt is None else cross_kt * gust,
        least_head_kt=min(head_kt or 0.0, (head_kt or 0.0) * gust),
        most_cross_kt=abs(cross_kt or 0.0) * max(gust, 1.0),
    )


def over(parts, spread=0.0, limits=()):
    """What of the limits that forbid a landing a wind is over."""
    steady = Wind(direction_deg_true=50.0, speed_kt=2.0, gust_kt=2.0 + spread)
    values_kt = wind_values_kt(parts, steady)
    rows = wind_limits(crosswind=[(*one, 'school rule') for one in limits], approach_ktas=66.0, alone=True)
    met = exceeded(rows, values_kt, has_direction=parts.head_kt is not None)
    return [(one, values_kt[one.quantity]) for one in met if one.severity == 'stop']


def candidate(
    ident='05',
    *,
    head=8.0,
    cross=0.0,
    gust=1.0,
    sun=None,
    limits=(),
    takeoff=900.0,
    landing=900.0,
    spread=0.0,
    **runway,
):
    parts = wind(head, cross, gust)
    return Candidate(
        runway=dataclasses.replace(RUNWAY, ident=ident, **runway),
        wind=parts,
        over=over(parts, spread, limits),
        takeoff_margin_ft=takeoff,
        landing_margin_ft=landing,
        sun=sun,
    )


def order(*candidates):
    return [end.ident for end in rank_ends(candidates)]


@pytest.mark.parametrize(
    ('better', 'worse'),
    [
        ({'head': 10.0}, {'head': 5.0}),
        ({'head': 2.0}, {'head': -2.0}),
        ({'cross': 3.0}, {'cross': -9.0}),  # from either side
        ({'cross': 5.0}, {'cross': 5.0, 'gust': 2.0}),
        ({}, {'surface': 'grass'}),
        ({'preferred': True}, {}),
        ({'slope_pct': 1.5}, {'slope_pct': -1.5}),  # landing uphill
        ({'takeoff': 800.0}, {'takeoff': 100.0}),
        ({'landing': 200.0}, {'landing': -10.0}),
        ({'head': -3.0}, {'head': 12.0, 'landing': -10.0}),  # no headwind makes up for a runway too short
    ],
)
def test_each_reason_alone_decides_between_two_alike(better, worse):
    assert order(candidate('A', **worse), candidate('B', **better)) == ['B', 'A']


def test_the_sun_in_the_eyes_weighs_as_much_as_a_light_headwind():
    low = Sun(azimuth_deg_true=40, elevation_deg=10)
    behind = candidate('B', course_deg_true=218.0, head=4.0, sun=low)
    dazzled = candidate('A', course_deg_true=38.0, head=8.0, sun=low)
    assert order(dazzled, behind) == ['B', 'A']
    assert order(dataclasses.replace(dazzled, wind=wind(14.0, 0.0)), behind) == ['A', 'B']
    night = dataclasses.replace(dazzled, sun=Sun(azimuth_deg_true=40, elevation_deg=-5))
    assert rank_ends([night])[0].sun_in_the_eyes is False
    assert rank_ends([candidate()])[0].sun_in_the_eyes is None  # no time given: unknown


def test_every_limit_that_is_exceeded_is_named_with_by_how_much():
    found = rank_ends([candidate(cross=12.0, limits=[('aircraft', 15.0), ('school', 8.0)])])[0]
    against = [reason for reason in found.reasons if reason.over_limit]
    assert [str(reason.words) for reason in against] == [
        'Crosswind 12 kt is over the school limit of 8 kt (school rule).'
    ]
    assert against[0].value == pytest.approx(4)
    assert not found.within_limits


def test_what_is_unknown_is_said_and_comes_after_what_is_known():
    unknown = candidate('A', head=12.0, takeoff=None, landing=None)
    assert order(unknown, candidate('B', head=2.0)) == ['B', 'A']
    assert order(candidate('C', landing=-123.0), unknown) == ['A', 'C']
    found = rank_ends([candidate(head=None, cross=None, takeoff=None, landing=None)])[0]
    words = [str(reason.words) for reason in found.reasons]
    assert 'takeoff margin unknown' in words
    assert 'landing margin unknown' in words
    assert found.headwind_kt is None
    assert found.within_limits is None  # nothing is known to be exceeded, and it is not known to do


def test_the_worst_of_a_wind_from_no_known_direction_and_of_the_gusts_counts():
    variable = Components(
        head_kt=None,
        cross_kt=None,
        gust_head_kt=None,
        gust_cross_kt=None,
        any_way_kt=45.0,
        least_head_kt=-45.0,
        most_cross_kt=45.0,
    )
    found = rank_ends([dataclasses.replace(candidate(), wind=variable, over=over(variable))])[0]
    assert found.within_limits is False
    assert any(
        'Tailwind 45 kt, gusts included, is over the limit of 10 kt' in str(reason.words) for reason in found.reasons
    )
    three = dataclasses.replace(variable, any_way_kt=3.0, least_head_kt=-3.0, most_cross_kt=3.0)
    assert rank_ends([dataclasses.replace(candidate(), wind=three, over=over(three))])[0].within_limits is True
    # 4 kt behind, 12 in the gusts: over the limit, though the steady wind is not
    assert rank_ends([candidate(head=-4.0, gust=3.0)])[0].within_limits is False
    assert rank_ends([candidate(head=-4.0, gust=2.0)])[0].within_limits is True
    assert rank_ends([candidate(spread=14.9)])[0].within_limits is True
    assert rank_ends([candidate(spread=17.0)])[0].within_limits is False
    assert any('only 3 ft' in str(reason.words) for reason in rank_ends([candidate(takeoff=3.0)])[0].reasons)


@given(st.lists(st.tuples(st.floats(-15, 25), st.floats(-20, 20)), min_size=1, max_size=8))
def test_no_end_is_ever_lost_and_the_points_are_the_sum_of_the_reasons(winds):
    found = rank_ends([candidate(str(i), head=h, cross=c) for i, (h, c) in enumerate(winds)])
    assert sorted(end.ident for end in found) == sorted(str(i) for i in range(len(winds)))
    good = [end.points for end in found if end.within_limits]
    assert good == sorted(good, reverse=True)
    assert [end.within_limits for end in found] == sorted((end.within_limits for end in found), reverse=True)
    for end in found:
        assert end.points == pytest.approx(sum(reason.points for reason in end.reasons))


@given(st.floats(0, 10), st.floats(0, 20))
def test_a_plane_is_read_back_exactly(x, y):
    # a bilinear reading of a plane is that plane, by hand: 3 + 2 x + 5 y
    xs, ys = (0.0, 4.0, 10.0), (0.0, 5.0, 20.0)
    cells = [[3 + 2 * a + 5 * b for b in ys] for a in xs]
    assert read_table(cells, [('x', xs, x), ('y', ys, y)]) == pytest.approx(3 + 2 * x + 5 * y)


def test_a_table_ends_where_it_ends():
    axes = [('pressure altitude', (0.0, 1_000.0), 1_001.0), ('temperature', (0.0, 10.0), 5.0)]
    with pytest.raises(OutsideTable, match='pressure altitude 1,001 is above the table, which ends at 1,000'):
        read_table(np.ones((2, 2)), axes)
    low = [('pressure altitude', (0.0, 1_000.0), -300.0), ('temperature', (0.0, 10.0), -20.0)]
    assert read_table([[5.0, 6.0], [7.0, 8.0]], low) == 5  # denser air than printed: the first value, which errs long
    with pytest.raises(InvalidInput, match='Enter a value above the value before it, 5 °C'):
        require_rising('temperature_c', (0, 5, 5))
