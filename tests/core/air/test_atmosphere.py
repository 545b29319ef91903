import numpy as np
import pytest
from ambiance import Atmosphere

from bullseye.core.air import atmosphere as air
from bullseye.core.basis.constants import FT_PER_M
from bullseye.core.basis.errors import InvalidInput


@pytest.mark.parametrize(
    ('altitude_ft', 'pressure_inhg', 'temperature_c', 'density_ratio'),
    [(0, 29.92, 15.0, 1.0), (5_000, 24.90, 5.1, 0.8617), (10_000, 20.58, -4.8, 0.7386)],
)
def test_the_printed_standard_atmosphere(altitude_ft, pressure_inhg, temperature_c, density_ratio):
    # [pub] U.S. Standard Atmosphere 1976, table by geometric height in feet; half of the last printed digit
    altitude_ft *= 6_356_766 / (6_356_766 + altitude_ft / FT_PER_M)  # our functions take geopotential height
    assert air.isa_pressure_hpa(altitude_ft) / 33.8639 == pytest.approx(pressure_inhg, abs=0.005)
    assert air.isa_temperature_c(altitude_ft) == pytest.approx(temperature_c, abs=0.05)
    found = air.density_ratio(pressure_altitude_ft=altitude_ft, temperature_c=air.isa_temperature_c(altitude_ft))
    assert found == pytest.approx(density_ratio, abs=0.00005)


@pytest.mark.parametrize('altitude_ft', np.linspace(-1_000, 14_000, 16))
def test_an_independent_library_agrees(altitude_ft):
    # ambiance takes geometric height; the standard is defined on geopotential: h = r H / (r - H)
    geopotential_m = altitude_ft / FT_PER_M
    theirs = Atmosphere(6_356_766 * geopotential_m / (6_356_766 - geopotential_m))
    assert air.isa_pressure_hpa(altitude_ft) == pytest.approx(theirs.pressure[0] / 100, rel=1e-5)
    found = air.density_ratio(pressure_altitude_ft=altitude_ft, temperature_c=air.isa_temperature_c(altitude_ft))
    assert found == pytest.approx(theirs.density[0] / 1.225, rel=1e-5)


def test_pressure_altitude_is_where_the_standard_has_that_pressure():
    assert air.pressure_altitude_ft(elevation_ft=2_000, qnh_hpa=1013.25) == pytest.approx(2_000)
    # [com] about 27 ft a hectopascal near sea level
    assert air.pressure_altitude_ft(elevation_ft=0, qnh_hpa=1003.25) == pytest.approx(275, abs=5)
    with pytest.raises(InvalidInput, match='Pressure cannot be 0 hPa'):
        air.altitude_of_pressure_ft(0)


def test_density_altitude_on_a_hot_day():
    # [com] pressure altitude + 120 ft for each degree above ISA, good to 2 % here
    found = air.density_altitude_ft(pressure_altitude_ft=4_000, temperature_c=air.isa_temperature_c(4_000) + 20)
    assert found == pytest.approx(4_000 + 2_400, rel=0.02)
    # standard air is as dense as it is high, whatever the height
    assert air.density_altitude_ft(
        pressure_altitude_ft=4_180, temperature_c=air.isa_temperature_c(4_180)
    ) == pytest.approx(4_180, abs=0.01)


def test_true_airspeed_grows_as_the_air_thins():
    # [pub] U.S. Standard Atmosphere 1976: 1/sqrt(0.7386) at 10,000 ft
    assert air.true_airspeed_kt(calibrated_kt=100, density_ratio=0.7386) == pytest.approx(116.4, abs=0.05)
