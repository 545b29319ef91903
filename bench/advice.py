"""How soon a forecast knows a pilot: pupils of three kinds, each without a school, advised lap after lap.

What `advise` says is compared with what simulation of the same pupil gives. The pupils differ from the model in bias,
habit, deceleration and scatter only; seven in ten have their speed read, to a knot.

    .venv/bin/python bench/advice.py --pupils 70
"""

from __future__ import annotations

import argparse
from dataclasses import fields

import numpy as np

from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.request import BriefRequest, parse_request
from bullseye.core.brief.setup import landing_setup
from bullseye.core.learn.advice import AdviceLap, AdviceRequest, advise
from bullseye.core.model.touchdown import Approach, touchdown_from_aim_ft
from bullseye.demo.fleet import AIRCRAFT

# scatter of the touchdown [ft] and of the speed [kt], from and to
BANDS = {'calm': ((25, 70), (0.7, 1.5)), 'usual': ((90, 170), (1.5, 3.5)), 'wild': ((180, 280), (3, 5))}
LAPS, TRUTH, BOX_FT = 10, 4_000, (1_500.0, 1_700.0)


def request() -> BriefRequest:
    """A long runway, so that the aim is free to move."""
    runway = {'ident': '05', 'course_deg_true': 38.0, 'length_ft': 6_000, 'width_ft': 60, 'elevation_ft': 38}
    return parse_request(
        {
            'aircraft': 'Marram 160',
            'runway': runway,
            'weather': {'wind_dir_deg_true': 38.0, 'wind_kt': 6, 'temperature_c': 15, 'qnh_hpa': 1013.25},
            'weight_lb': 2_250,
            'landing': 'normal',
            'standard': 'us_commercial',
            'spot_ft': BOX_FT[0],
            'technique': {'aim_speed': 'habit'},
        },
        aircraft_by_name=AIRCRAFT,
    )


def run(band: str, pupils: int) -> np.ndarray:
    """Lap, chance said, chance true and the best chance of any aim, a row a lap."""
    asked = request()
    approach, briefed = landing_setup(asked).approach, make_brief(asked).speed.approach_speed_kias
    given = {one.name: getattr(approach, one.name) for one in fields(Approach)}
    still, chance, rows = np.random.default_rng(1), np.random.default_rng(7), []
    normal = still.standard_normal((2, TRUTH))
    for _ in range(pupils):
        scatter, speed_sd = (chance.uniform(*ends) for ends in BANDS[band])
        bias, habit = chance.normal(0, 120), chance.normal(1, 3)
        slows = approach.deceleration_fps2 + chance.normal(0, 0.4)
        reads = chance.random() < 0.7

        def landed(aim_ft: float, off_kt: np.ndarray) -> np.ndarray:
            flown = {**given, 'speed_ktas': approach.speed_ktas + off_kt, 'deceleration_fps2': slows}  # noqa: B023
            return aim_ft + bias + touchdown_from_aim_ft(**flown)  # noqa: B023

        laps: list[AdviceLap] = []
        for lap in range(1, LAPS + 1):
            said = advise(AdviceRequest(brief=asked, laps=tuple(laps)))
            many = landed(said.next_aim_ft, habit + speed_sd * normal[0]) + scatter * normal[1]
            shares = [np.mean((many + x >= BOX_FT[0]) & (many + x <= BOX_FT[1])) for x in np.arange(-600.0, 601, 10)]
            true = np.mean((many >= BOX_FT[0]) & (many <= BOX_FT[1]))
            rows.append((lap, said.hit_chance, true, max(shares)))
            off_kt = habit + speed_sd * chance.standard_normal()
            touched = float(landed(said.next_aim_ft, np.array([off_kt]))[0] + scatter * chance.standard_normal())
            speed = {'threshold_speed_kias': float(round(briefed + off_kt))} if reads else {}
            laps.append(AdviceLap(aim_ft=said.next_aim_ft, touchdown_ft=touched, **speed))
    return np.array(rows)


def main(pupils: int) -> None:
    """Print said and true for each kind and stretch of laps, and how good the aim is."""
    print('pupils  laps   said   true   said - true   of the best aim   its worst tenth')
    for band in BANDS:
        rows = run(band, pupils)
        for first, last in ((1, 3), (4, 7), (8, 10), (4, 4)):
            here = rows[(rows[:, 0] >= first) & (rows[:, 0] <= last)]
            of_best = here[:, 2] / here[:, 3]
            said, true, worst = here[:, 1].mean(), here[:, 2].mean(), np.quantile(of_best, 0.1)
            figures = f'{said:6.3f} {true:6.3f} {said - true:+12.3f} {of_best.mean():16.3f} {worst:16.3f}'
            print(f'{band:7} {first}-{last:<3} {figures}', flush=True)


if __name__ == '__main__':
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument('--pupils', type=int, default=70)
    main(parser.parse_args().pupils)
