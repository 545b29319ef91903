"""How long a brief takes, alone and whole, and what of it are the 10,000 simulated touchdowns.

Budgets: 10 ms the brief, 60 ms the whole one (from a METAR and a field), 50 ms the touchdowns.
"""

import json
import time
from collections.abc import Callable

from bullseye.cli import brief_from_json
from bullseye.core.model.forecast import simulate_from_aim_ft
from bullseye.core.model.touchdown import Approach

REQUEST = json.dumps(
    {
        'aircraft': 'Marram 160',
        'runway': {'ident': '05', 'course_deg_true': 38, 'length_ft': 2790, 'width_ft': 60, 'elevation_ft': 38},
        'weather': {'wind_dir_deg_true': 60, 'wind_kt': 9, 'gust_kt': 15, 'temperature_c': 14, 'qnh_hpa': 1016},
        'weight_lb': 2180,
        'landing': 'normal',
        'standard': 'us_private',
        'spot_ft': 600,
    }
)
FIELD = {
    'type': 'FeatureCollection',
    'features': [
        {
            'type': 'Feature',
            'properties': {'ident': 'LANT', 'elevation_ft': 38, 'pattern_altitude_ft': 1_040},
            'geometry': {'type': 'Point', 'coordinates': [-38.4, 47.2]},
        },
        {
            'type': 'Feature',
            'properties': {'kind': 'runway', 'width_ft': 60, 'ends': [{'ident': '05'}, {'ident': '23'}]},
            'geometry': {'type': 'LineString', 'coordinates': [[-38.4, 47.2], [-38.3932, 47.206]]},
        },
    ],
}
WHOLE = json.dumps(
    {
        'metar': 'METAR LANT 251150Z 06012G18KT 9999 FEW030 14/08 Q1016',
        'time_utc': '2026-11-25T12:10:00Z',
        'airfield': FIELD,
        'aircraft': 'Marram 160',
        'weight_lb': 2180,
        'landing': 'normal',
        'standard': 'us_private',
        'spot_ft': 500,
    }
)
APPROACH = Approach(
    speed_ktas=62, touchdown_ktas=50, headwind_kt=8, path_angle_deg=3, deceleration_fps2=3.2, eye_height_ft=7.5
)


def per_call_ms(call: Callable[[], object], times: int = 300) -> float:
    """Mean duration of a call [ms], after one to warm up."""
    call()
    began = time.perf_counter()
    for _ in range(times):
        call()
    return (time.perf_counter() - began) / times * 1e3


brief_ms = per_call_ms(lambda: brief_from_json(REQUEST))
whole_ms = per_call_ms(lambda: brief_from_json(WHOLE), times=60)
samples_ms = per_call_ms(lambda: simulate_from_aim_ft(APPROACH, bias_ft=0, scatter_ft=140, gust_headwind_kt=14))
print(f'brief, JSON to JSON          {brief_ms:6.2f} ms   {brief_ms / 10:.2f} of its budget of 10 ms')
print(f'whole brief, from a METAR    {whole_ms:6.2f} ms   {whole_ms / 60:.2f} of its budget of 60 ms')
print(f'10,000 simulated touchdowns  {samples_ms:6.2f} ms   {samples_ms / 50:.2f} of their budget of 50 ms')
