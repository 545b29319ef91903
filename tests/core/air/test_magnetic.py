"""The variation of the compass, against the published model."""

from datetime import date

import pytest

from bullseye.core.air.magnetic import magnetic_variation_deg


@pytest.mark.parametrize(('lat', 'lon', 'expected'), [(80, 0, 1.28), (0, 120, -0.16), (-80, 240, 68.78)])
def test_the_variation_is_that_of_the_world_magnetic_model(lat, lon, expected):
    # [pub] WMM2025 report, test values for 2025.0 at sea level; value from memory
    found = magnetic_variation_deg(lat_deg=lat, lon_deg=lon, elevation_ft=0, on=date(2025, 1, 1))
    assert found == pytest.approx(expected, abs=0.006)


@pytest.mark.parametrize(('year', 'day'), [(2026, date(2026, 10, 1)), (2028, date(2028, 3, 1))])
def test_the_variation_drifts_through_the_year_as_the_model_says(year, day):
    # [pub] between its epochs the model moves in a straight line; the leap year has a day more
    there = {'lat_deg': 61.0, 'lon_deg': -96.0, 'elevation_ft': 700.0}
    begins, ends = (magnetic_variation_deg(**there, on=date(one, 1, 1)) for one in (year, year + 1))
    share = (day - date(year, 1, 1)).days / (date(year + 1, 1, 1) - date(year, 1, 1)).days
    assert abs(ends - begins) > 0.05  # so that another day would be seen
    found = magnetic_variation_deg(**there, on=day)
    assert found == pytest.approx(begins + share * (ends - begins), abs=0.003)
