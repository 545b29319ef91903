"""One field and one day on which nothing is neutral, for all of the core: a wrong sign, side, bound or unit shows here.

High, sloped, a displaced threshold with pavement before it, obstacles on either side, west variation, a gusting wind
from the left, a right pattern, a spot that is not the threshold, seven hours behind UTC. `twin` is the same seen in a
mirror, south of the equator: left is right, and the wind aloft turns the other way.
"""

from datetime import datetime, timedelta, timezone
from typing import Any

from bullseye.core.brief.plan import Plan
from bullseye.core.brief.request import BriefRequest
from bullseye.core.fly.pattern import PatternChoice
from bullseye.core.given.airfield import Airfield
from tests.core.making import make_request

COURSE_DEG_TRUE = 263.4
VARIATION_DEG = -14.2
WIND_FROM_DEG_TRUE = 231.0  # 32.4 degrees from the left
WIND_KT, GUST_KT = 11.0, 18.0
ELEVATION_FT, LENGTH_FT, DISPLACED_FT, SLOPE_PCT = 5_030.0, 5_400.0, 430.0, 1.3
TEMPERATURE_C, QNH_HPA = 21.0, 1_021.4
WEIGHT_LB, SPOT_FT = 2_130.0, 870.0
AT = datetime(2026, 6, 3, 17, 20, tzinfo=timezone(timedelta(hours=-7)))
LATITUDE_DEG, LONGITUDE_DEG = 39.6, -117.3

_RUNWAY = {
    'ident': '28',
    'course_deg_true': COURSE_DEG_TRUE,
    'length_ft': LENGTH_FT,
    'width_ft': 75,
    'elevation_ft': ELEVATION_FT,
    'displaced_threshold_ft': DISPLACED_FT,
    'slope_pct': SLOPE_PCT,
    'magnetic_variation_deg': VARIATION_DEG,
    'path_angle_deg': 3.6,
    'pattern_side': 'right',
    'surroundings': 'hedges',
    'obstacle': {'height_ft': 44, 'before_threshold_ft': 1_450},
    'departure_obstacle': {'height_ft': 62, 'beyond_end_ft': 1_900},
}


def scene(**changes: Any) -> BriefRequest:
    """The landing on that day."""
    data = {
        'runway': _RUNWAY | changes.pop('runway', {}),
        'weather': {
            'wind_dir_deg_mag': WIND_FROM_DEG_TRUE - VARIATION_DEG,
            'wind_kt': WIND_KT,
            'gust_kt': GUST_KT,
            'temperature_c': TEMPERATURE_C,
            'qnh_hpa': QNH_HPA,
        }
        | changes.pop('weather', {}),
        'weight_lb': WEIGHT_LB,
        'spot_ft': SPOT_FT,
    }
    return make_request(**data | changes)


def twin(**changes: Any) -> BriefRequest:
    """The same, seen in a mirror that stands along the runway."""
    wind_deg_true = 2 * COURSE_DEG_TRUE - WIND_FROM_DEG_TRUE
    mirrored = {'runway': {'pattern_side': 'left'}, 'weather': {'wind_dir_deg_mag': wind_deg_true - VARIATION_DEG}}
    return scene(**mirrored | changes)


def plan_of(request: BriefRequest, *, is_northern: bool = True) -> Plan:
    """What is asked beside the landing."""
    latitude_deg = LATITUDE_DEG if is_northern else -LATITUDE_DEG
    field = Airfield(ident='HIGH', latitude_deg=latitude_deg, longitude_deg=LONGITUDE_DEG, ends=(request.runway,))
    return Plan(airfield=field, at=AT, is_northern=is_northern, pattern=PatternChoice(spacing_nm=0.8, bank_deg=22))
