"""How long a brief takes, and what of it are the 10,000 simulated touchdowns. Budget: 10 ms, and 50 ms for those."""

import json
import time
from collections.abc import Callable

from bullseye.cli import brief_from_json
from bullseye.core.touchdown import Approach, simulate_from_aim_ft

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
APPROACH = Approach(speed_ktas=62, touchdown_ktas=50, headwind_kt=8, path_angle_deg=3, deceleration_fps2=3.2)


def per_call_ms(call: Callable[[], object], times: int = 300) -> float:
    """Mean duration of a call [ms], after one to warm up."""
    call()
    began = time.perf_counter()
    for _ in range(times):
        call()
    return (time.perf_counter() - began) / times * 1e3


brief_ms = per_call_ms(lambda: brief_from_json(REQUEST))
samples_ms = per_call_ms(lambda: simulate_from_aim_ft(APPROACH, bias_ft=0, scatter_ft=140, gust_headwind_kt=14))
print(f'brief, JSON to JSON          {brief_ms:6.2f} ms   {brief_ms / 10:.2f} of its budget of 10 ms')
print(f'10,000 simulated touchdowns  {samples_ms:6.2f} ms   {samples_ms / 50:.2f} of their budget of 50 ms')
