import pytest
from hypothesis import given
from hypothesis import strategies as st
from pygeomag import GeoMag

from bullseye.core.air.wind import Wind, components, magnetic_from_true_deg, true_from_magnetic_deg
from bullseye.core.basis.errors import InvalidInput
from bullseye.demo.fleet import FIELDS


@pytest.mark.parametrize(('off_deg', 'fraction'), [(0, 0.0), (30, 0.5), (45, 0.7), (60, 0.9), (90, 1.0)])
def test_the_handy_fractions_of_crosswind(off_deg, fraction):
    # [com] half at 30 degrees, 0.7 at 45, 0.9 at 60: rounded to a tenth by the trade
    wind = Wind(direction_deg_true=(200 + off_deg) % 360, speed_kt=20)
    assert components(wind, course_deg_true=200).cross_kt == pytest.approx(20 * fraction, abs=20 * 0.05)


@given(st.floats(0, 360), st.floats(0, 360), st.floats(0, 60))
def test_components_keep_the_wind(direction_deg, course_deg, speed_kt):
    found = components(Wind(direction_deg_true=direction_deg, speed_kt=speed_kt), course_deg_true=course_deg)
    assert found.head_kt**2 + found.cross_kt**2 == pytest.approx(speed_kt**2, abs=1e-6)


def test_signs_gusts_and_variable_wind():
    gusting = components(Wind(direction_deg_true=90, speed_kt=10, gust_kt=18), course_deg_true=360)
    assert gusting.cross_kt == pytest.approx(10)  # from the right
    assert gusting.gust_cross_kt == pytest.approx(18)
    assert components(Wind(direction_deg_true=180, speed_kt=10), course_deg_true=360).head_kt == pytest.approx(-10)
    variable = components(Wind(direction_deg_true=None, speed_kt=4), course_deg_true=0)
    assert variable.head_kt is None  # unknown, not zero
    calm = components(Wind(direction_deg_true=None, speed_kt=0), course_deg_true=0)
    assert (calm.head_kt, calm.cross_kt) == (0, 0)
    with pytest.raises(InvalidInput, match='a value of at least the steady wind, 10 kt'):
        Wind(direction_deg_true=90, speed_kt=10, gust_kt=8)


def test_variation_is_added_when_it_is_east():
    # [com] variation west, magnetic best
    assert true_from_magnetic_deg(magnetic_deg=50, variation_deg=-12) == 38
    assert magnetic_from_true_deg(true_deg=38, variation_deg=-12) == 50
    assert magnetic_from_true_deg(true_deg=10, variation_deg=10) == 360  # north is spoken three-six-zero


@pytest.mark.parametrize('field', FIELDS, ids=lambda field: field.name)
def test_the_fields_carry_the_variation_of_the_world_magnetic_model(field):
    # [pub] World Magnetic Model 2025, by pygeomag; fields print it to a tenth of a degree
    theirs = GeoMag().calculate(glat=field.lat_deg, glon=field.lon_deg, alt=0, time=2026.9).d
    assert all(end.magnetic_variation_deg == pytest.approx(theirs, abs=0.1) for end, _, _ in field.ends)


def test_a_gust_is_no_less_than_the_wind_that_it_is_of():
    assert Wind(direction_deg_true=40, speed_kt=12, gust_kt=12).gust_spread_kt == 0
    with pytest.raises(InvalidInput, match='at least the steady wind'):
        Wind(direction_deg_true=40, speed_kt=12, gust_kt=11.9)
