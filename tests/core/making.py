"""Things with the usual values filled in, so that a test names only what it is about."""

import copy
from typing import Any

from bullseye.core.brief.landing import BriefAnswer, make_brief
from bullseye.core.brief.request import BriefRequest, parse_request
from bullseye.core.model.touchdown import Approach
from bullseye.demo.fleet import AIRCRAFT

REQUEST: dict[str, Any] = {
    'aircraft': 'Marram 160',
    'runway': {
        'ident': '05',
        'course_deg_true': 38.0,
        'length_ft': 2_790,
        'width_ft': 60,
        'elevation_ft': 38,
        'magnetic_variation_deg': -12.4,
    },
    'weather': {'wind_dir_deg_mag': 50.4, 'wind_kt': 0, 'temperature_c': 15, 'qnh_hpa': 1013.25},
    'weight_lb': 2_400,
    'landing': 'normal',
    'standard': 'us_private',
    'spot_ft': 600,
}


def request_data(**changes: Any) -> dict[str, Any]:
    """A request as JSON; ``weather`` and ``runway`` are merged, the rest replaces."""
    data = copy.deepcopy(REQUEST)
    for key, value in changes.items():
        if key in ('weather', 'runway'):
            data[key] |= value
        else:
            data[key] = value
    return data


def make_request(**changes: Any) -> BriefRequest:
    return parse_request(request_data(**changes), aircraft_by_name=AIRCRAFT)


def briefed(**changes: Any) -> BriefAnswer:
    return make_brief(make_request(**changes))


def approach(**changes: Any) -> Approach:
    """The worked approach of docs/model.md: 62 kt to 50 kt on 3 degrees in still air."""
    values = {
        'speed_ktas': 62.0,
        'touchdown_ktas': 50.0,
        'headwind_kt': 0.0,
        'path_angle_deg': 3.0,
        'deceleration_fps2': 3.2,
        'eye_height_ft': 7.5,
    }
    return Approach(**(values | changes))
