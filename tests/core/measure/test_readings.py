"""Which of several readings of one value counts. [own] throughout: no published rule exists."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bullseye.core.measure.readings import BY_HAND, MEASURES, WORST, Reading, best, by_hand


def tracked(value: float, half_width: float) -> Reading:
    return Reading(value=value, half_width=half_width, how='tracked')


def test_a_correction_counts_before_all_and_a_person_before_a_track_known_as_well():
    tapped = by_hand('along_ft', 640, 'tapped')
    corrected = by_hand('along_ft', 600, 'corrected')
    sure, as_good, vague = tracked(612, 15), tracked(700, 40), tracked(900, 150)
    assert best('along_ft', {}) is None
    assert best('along_ft', {'tapped': tapped, 'tracked': sure}) == sure
    assert best('along_ft', {'tapped': tapped, 'tracked': as_good}) == tapped
    assert best('along_ft', {'tracked': vague, 'tapped': tapped}) == tapped
    assert best('along_ft', {'tracked': vague}) == vague
    assert best('along_ft', {'tapped': tapped, 'tracked': sure, 'corrected': corrected}) == corrected
    assert corrected.half_width is None  # nobody can say how good a correction is: it is what is taken


def test_a_speed_that_is_only_a_guess_is_shown_and_does_not_count():
    assert best('threshold_speed_kias', {'tracked': tracked(64, 5)}) is None
    assert best('threshold_speed_kias', {'tracked': tracked(64, 3)}) is not None
    assert best('threshold_speed_kias', {'read': by_hand('threshold_speed_kias', 61, 'read')}) is not None
    assert all(WORST[measure] > BY_HAND[measure] for measure in WORST)  # what a person reads always counts


@given(
    measure=st.sampled_from(MEASURES),
    widths=st.lists(st.floats(0.1, 400), min_size=1, max_size=6, unique=True),
)
def test_of_any_readings_none_known_better_is_passed_over(measure, widths):
    readings = {f'r{k}': Reading(value=float(k), half_width=width, how='tracked') for k, width in enumerate(widths)}
    counts = best(measure, readings)
    good = [width for width in widths if width <= WORST.get(measure, float('inf'))]
    assert (counts is None) == (not good)
    if counts is not None:
        assert counts.half_width == pytest.approx(min(good))
