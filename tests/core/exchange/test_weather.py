from datetime import UTC, datetime, timedelta

import ephem
import pytest

from bullseye.core.air.sun import Sun, is_in_the_eyes, sun_at


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
