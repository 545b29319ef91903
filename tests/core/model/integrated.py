"""An approach from the start of the roundout to the touch by its forces, integrated by SciPy; shares no code with the model.

A point mass in the ground's frame: lift of a constant load factor across the air's flow, drag along it, gravity, and a
wind that changes with height. It is levelled along the surface, then held there until it has slowed to the touchdown.
"""

import math

import numpy as np
from scipy.integrate import solve_ivp

G_FPS2 = 9.80665 / 0.3048
FPS_PER_KT = 1852 / 0.3048 / 3600
REPORT_FT = 10 / 0.3048


def wind_fps(head_kt, over_ground_ft, z0_ft):
    """Logarithmic profile below 10 m, the report above."""
    if z0_ft == 0:
        return head_kt * FPS_PER_KT
    height = min(max(over_ground_ft, 2 * z0_ft), REPORT_FT)
    return head_kt * FPS_PER_KT * math.log(height / z0_ft) / math.log(REPORT_FT / z0_ft)


def _round_out(start_ft, *, v0, gamma, a, n, head_kt, slope, wing_ft, z0_ft):
    """From a wheel height over the surface until the path is along the surface; None when that never comes."""
    surface = math.atan(slope)
    head = wind_fps(head_kt, start_ft + wing_ft, z0_ft)
    x = gamma
    for _ in range(40):
        x = math.asin((v0 * math.cos(x) - head) * math.tan(gamma) / v0)
    air = np.array([v0 * math.cos(x), -v0 * math.sin(x)])

    def forces(_t, state):
        along, height, vx, vz = state
        wind = np.array([-wind_fps(head_kt, height - along * slope + wing_ft, z0_ft), 0.0])
        flow = np.array([vx, vz]) - wind
        speed = math.hypot(*flow)
        lift = n * G_FPS2 * np.array([-flow[1], flow[0]]) / speed
        drag = -a * flow / speed
        return [vx, vz, *(lift + drag + [0.0, -G_FPS2])]

    def level(_t, state):
        return math.atan2(state[3], state[2]) - surface

    level.terminal, level.direction = True, 1
    run = solve_ivp(forces, (0, 30), [0.0, start_ft, air[0] - head, air[1]], events=level, rtol=1e-9, atol=1e-9)
    return None if not run.t_events[0].size else (run.y_events[0][0], surface)


def touchdown_from_aim_ft(
    *, v0_kt, vt_kt, gamma_deg, eye_ft, a, head_kt=0.0, slope=0.0, wing_ft=0.0, z0_ft=0.0, n=1.08, h1_ft=2.0
):
    """Where the wheels touch, from the aim point [ft]."""
    gamma, vt = math.radians(gamma_deg), vt_kt * FPS_PER_KT
    given = {'v0': v0_kt * FPS_PER_KT, 'gamma': gamma, 'a': a, 'n': n, 'head_kt': head_kt, 'slope': slope}
    given |= {'wing_ft': wing_ft, 'z0_ft': z0_ft}

    def left_over(start_ft):
        (along, height, _, _), _ = _round_out(start_ft, **given)
        return height - along * slope - h1_ft

    # the start from which the path comes level just at the hold-off height, by the secant
    one, two = 12.0, 14.0
    f_one, f_two = left_over(one), left_over(two)
    for _ in range(12):
        if abs(f_two) < 1e-6:
            break
        one, two, f_one = two, two - f_two * (two - one) / (f_two - f_one), f_two
        f_two = left_over(two)
    (along, _, vx, vz), surface = _round_out(two, **given)
    head = wind_fps(head_kt, h1_ft + wing_ft, z0_ft)

    along_surface = np.array([math.cos(surface), math.sin(surface)])
    off_surface = np.array([-math.sin(surface), math.cos(surface)])

    def held(_t, state):
        # lift stands across the air's flow, which a wind tilts against the surface, and is as large as the surface asks
        flow = state[1] * along_surface + [head, 0.0]
        flow = flow / math.hypot(*flow)
        across = np.array([-flow[1], flow[0]])
        rest = -a * flow + [0.0, -G_FPS2]
        lift = -(rest @ off_surface) / (across @ off_surface)
        return [state[1], (rest + lift * across) @ along_surface]

    def touched(_t, state):
        return math.hypot(state[1] * math.cos(surface) + head, state[1] * math.sin(surface)) - vt

    touched.terminal = True
    entry = math.hypot(vx, vz)
    floated = 0.0
    if touched(0, [0, entry]) > 0:
        run = solve_ivp(held, (0, 120), [0.0, entry], events=touched, rtol=1e-9, atol=1e-9)
        floated = float(run.y_events[0][0][0]) * math.cos(surface)
    return -(two + eye_ft) / (math.tan(gamma) + slope) + along + floated
