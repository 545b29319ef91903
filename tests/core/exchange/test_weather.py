from datetime import UTC, date, datetime, timedelta

import ephem
import pytest

from bullseye.core.air.magnetic import magnetic_variation_deg
from bullseye.core.air.sun import Sun, is_in_the_eyes, sun_at


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


@pytest.mark.parametrize('hour', [0, 5, 8, 12, 16, 19])
@pytest.mark.parametrize(('lat', 'lon'), [(47.2, -38.4), (-33.0, 151.0), (1.0, 0.0)])
def test_a_second_library_sees_the_sun_in_the_same_place(lat, lon, hour):
    at = datetime(2026, 6, 21, tzinfo=UTC) + timedelta(days=hour * 20, hours=hour)
    there = ephem.Observer()
    there.lat, there.lon, there.date = str(lat), str(lon), at.replace(tzinfo=None)
    there.pressure = 0
    sun = ephem.Sun(there)
    found = sun_at(lat_deg=lat, lon_deg=lon, at=at)
    # astral adds refraction: half a degree at the horizon, less above; below it nobody is dazzled
    if sun.alt > 0:
        assert found.elevation_deg == pytest.approx(float(sun.alt) * 180 / 3.141592653589793, abs=0.6)
    assert (found.azimuth_deg_true - float(sun.az) * 180 / 3.141592653589793 + 180) % 360 - 180 == pytest.approx(
        0, abs=0.5
    )


def test_the_sun_dazzles_low_and_ahead_only():
    def dazzles(azimuth, elevation):
        sun = Sun(azimuth_deg_true=azimuth, elevation_deg=elevation)
        return is_in_the_eyes(sun, final_course_deg_true=350)

    assert dazzles(10, 12)  # 20 degrees off, across north
    assert not dazzles(25, 12)
    assert not dazzles(350, 40)
    assert not dazzles(350, -1)
