from datetime import UTC, date, datetime, timedelta

import ephem
import pytest

from bullseye.core.air.magnetic import magnetic_variation_deg
from bullseye.core.air.sun import Sun, is_in_the_eyes, sun_at
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.exchange.metar import read_metar

NOW = datetime(2026, 11, 25, 12, 10, tzinfo=UTC)


def read(text, **more):
    return read_metar(text, now=NOW, **more)


def test_a_report_is_read_with_all_its_parts():
    # [pub] groups of WMO-No. 306, code form FM 15
    found = read('METAR LANT 251150Z 07009G16KT 9999 FEW030 14/08 Q1016=')
    assert (found.wind_dir_deg_true, found.wind_kt, found.gust_kt) == (70, 9, 16)
    assert (found.temperature_c, found.dew_point_c, found.qnh_hpa) == (14, 8, 1016)
    assert found.observed_at == datetime(2026, 11, 25, 11, 50, tzinfo=UTC)
    assert found.missing == found.warnings == ()


@pytest.mark.parametrize(
    ('text', 'direction', 'wind_kt', 'qnh_hpa', 'missing'),
    [
        ('LANT 251150Z VRB03KT CAVOK 14/08 Q1016 NOSIG', None, 3, 1016, ()),
        ('KXYZ 251150Z AUTO 00000KT 10SM CLR M05/M10 A2992', None, 0, 1013.2, ()),
        ('LANT 251150Z 36005MPS 9999 14/08 Q1016', 360, 9.7, 1016, ()),  # 5 m/s x 3600/1852
        ('LANT 251150Z 07009KT 9999', 70, 9, None, ('temperature', 'pressure')),
        ('LANT 251150Z /////KT 9999 14/08 Q1016', None, None, 1016, ('wind',)),
        ('LANT 251150Z 09010KT 060V120 9999 14/08 Q1016', 90, 10, 1016, ()),
    ],
)
def test_what_reports_leave_out_or_say_otherwise(text, direction, wind_kt, qnh_hpa, missing):
    found = read(text)
    assert found.wind_dir_deg_true == direction
    assert found.wind_kt == pytest.approx(wind_kt, abs=0.01)
    assert found.qnh_hpa == pytest.approx(qnh_hpa, abs=0.1)
    assert found.missing == missing


@pytest.mark.parametrize(
    'text', ['rubbish', '', 'LANT 251150Z 07009KT XYZZY 14/08 Q1016', 'LANT 991150Z 07009KT', 'A' * 900]
)
def test_what_cannot_be_read_is_named(text):
    with pytest.raises(InvalidInput) as refusal:
        read(text)
    assert refusal.value.field == 'metar'
    if 'XYZZY' in text:
        assert 'XYZZY' in str(refusal.value)


def test_another_station_or_an_old_report_is_used_with_a_warning():
    other = read('ZZZZ 251150Z 07009KT 9999 14/08 Q1016', station='lant')
    assert other.warnings == ('METAR of ZZZZ, not of LANT: the wind here may differ.',)
    old = read_metar('LANT 250850Z 07009KT 9999 14/08 Q1016', now=NOW)
    assert old.warnings == ('METAR 3 hours old: look at the sock.',)
    newer = read('LANT 251350Z 07009KT 9999 14/08 Q1016')
    assert newer.warnings == ('METAR from the future: check its time.',)


def test_a_report_of_last_month_is_dated_so():
    found = read_metar('LANT 302350Z 07009KT 9999 14/08 Q1016', now=datetime(2026, 12, 1, 0, 10, tzinfo=UTC))
    assert found.observed_at == datetime(2026, 11, 30, 23, 50, tzinfo=UTC)


@pytest.mark.parametrize(('lat', 'lon', 'expected'), [(80, 0, 1.28), (0, 120, -0.16), (-80, 240, 68.78)])
def test_the_variation_is_that_of_the_world_magnetic_model(lat, lon, expected):
    # [pub] WMM2025 report, test values for 2025.0 at sea level; value from memory
    found = magnetic_variation_deg(lat_deg=lat, lon_deg=lon, elevation_ft=0, on=date(2025, 1, 1))
    assert found == pytest.approx(expected, abs=0.006)


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
