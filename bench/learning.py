"""How well a forecast comes true, and how good the advice is: simulated pupils of other physics than the model's.

Each pupil has habits that nobody knows: a speed, a roundout height, a touchdown speed, an aeroplane that slows as its
drag says. They fly the aim they are told. What Bullseye says is compared with what simulation of the same pupil gives.

    .venv/bin/python bench/learning.py --pupils 400
"""

from __future__ import annotations

import argparse
from collections import defaultdict
from dataclasses import dataclass, replace

import numpy as np

from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.request import BriefRequest, parse_request
from bullseye.core.brief.setup import landing_setup, power_share, prior_deceleration_fps2
from bullseye.core.learn.fit import calibrate
from bullseye.core.measure.flown import FlownLap
from bullseye.demo.fleet import AIRCRAFT

FPS = 6_076.12 / 3_600
G = 32.174
LAPS = 8
TRUTH = 3_000  # landings that tell a pupil's true chance


def request() -> BriefRequest:
    """A long runway, so that the aim is free to move."""
    return parse_request(
        {
            'aircraft': 'Marram 160',
            'runway': {
                'ident': '27',
                'course_deg_true': 270.0,
                'length_ft': 6_000,
                'width_ft': 75,
                'elevation_ft': 300,
            },
            'weather': {'wind_dir_deg_true': 270.0, 'wind_kt': 6, 'temperature_c': 18, 'qnh_hpa': 1010},
            'weight_lb': 2_250,
            'landing': 'normal',
            'standard': 'us_private',
            'spot_ft': 1_500,
        },
        aircraft_by_name=AIRCRAFT,
    )


@dataclass(frozen=True, slots=True)
class Pupil:
    """What nobody knows of one pupil and aeroplane."""

    habit_kt: float
    speed_sd_kt: float
    roundout_ft: float  # height at which they begin, wheels
    roundout_sd_ft: float
    touch_share: float  # touchdown speed over the stall
    touch_sd: float
    drag: float  # of the aeroplane, about 1
    power_left: float  # share of thrust left on in the hold-off
    aim_sd_ft: float
    reads: bool


def draw(chance: np.random.Generator, wild: float) -> Pupil:
    """A pupil of populations unlike the priors: skewed fast, heavy tails; calm at ``wild`` 1, else farther apart."""
    return Pupil(
        habit_kt=float(1.5 + 3.2 * chance.standard_t(6)),
        speed_sd_kt=float(chance.lognormal(np.log(2.2 * wild**0.5), 0.4)),
        roundout_ft=float(np.clip(chance.normal(16, 4), 7, 32)),
        roundout_sd_ft=float(chance.lognormal(np.log(2.2 * wild**0.5), 0.3)),
        touch_share=float(np.clip(chance.normal(1.06, 0.035), 1.0, 1.18)),
        touch_sd=float(chance.lognormal(np.log(0.02), 0.3)),
        drag=float(chance.normal(1.0, 0.14)),
        power_left=float(max(0.0, chance.normal(0.02, 0.05))),
        aim_sd_ft=float(chance.lognormal(np.log(60 * wild), 0.35)),
        reads=bool(chance.random() < 0.7),
    )


def fly(pupil: Pupil, briefed_kt: float, stall_kt: float, wind_kt: float, chance: np.random.Generator, count: int):
    """Touchdowns from the aim point [ft], speeds [kt true] and hold-off times [s]: forces stepped through time."""
    v = (briefed_kt + pupil.habit_kt + pupil.speed_sd_kt * chance.standard_normal(count)) * FPS
    v = np.maximum(v, 1.02 * stall_kt * FPS)
    start = np.maximum(5.0, pupil.roundout_ft + pupil.roundout_sd_ft * chance.standard_normal(count))
    touch = stall_kt * FPS * np.maximum(0.99, pupil.touch_share + pupil.touch_sd * chance.standard_normal(count))
    wind = (wind_kt + 1.5 * chance.standard_normal(count)) * FPS
    gamma = np.radians(3.0)
    along = -(start + 7.5) / np.tan(gamma) + pupil.aim_sd_ft * chance.standard_normal(count)
    # the roundout: height runs out as a parabola while speed bleeds off
    sink = (v - wind) * np.tan(gamma)
    seconds = 2 * (start - 2.0) / sink
    seconds = np.minimum(seconds, 4.5)

    def slows(speed):
        u = speed / (62 * FPS)
        return 3.35 * pupil.drag * (0.55 * u**2 + 0.45 / u**2) - G * 0.1 * pupil.power_left

    after = v - 0.75 * slows(v) * seconds
    along += ((v + after) / 2 - wind) * seconds
    v, held = after.copy(), np.zeros(count)
    step = 0.05
    for _ in range(700):
        floats = v > touch
        if not floats.any():
            break
        along += np.where(floats, (v - wind) * step, 0.0)
        v -= np.where(floats, slows(v) * step, 0.0)
        held += np.where(floats, step, 0.0)
    return along, (briefed_kt, v), held


def speeds_of(pupil, briefed_kt, chance):
    """The speed of one landing, drawn beside it."""
    return briefed_kt + pupil.habit_kt + pupil.speed_sd_kt * chance.standard_normal()


def one_landing(pupil: Pupil, briefed_kt, stall_kt, wind_kt, chance):
    """A landing whose speed is known to the observer: the same pupil with the speed given."""
    speed_kt = speeds_of(pupil, briefed_kt, chance)
    still = replace(pupil, habit_kt=speed_kt - briefed_kt, speed_sd_kt=0.0)
    along, _, held = fly(still, briefed_kt, stall_kt, wind_kt, chance, 1)
    return float(along[0]), speed_kt, float(held[0])


def chance_of(landed, box):
    """Share of landings in the box."""
    return float(np.mean((landed >= box[0]) & (landed <= box[1])))


def run(count: int, seed: int, school: str, wild: float) -> list[dict[str, float]]:
    """Every lap of every pupil: what was said, and what was true."""
    chance = np.random.default_rng(seed)
    asked = request()
    asked = replace(asked, technique=replace(asked.technique, aim_speed=school))
    setup = landing_setup(asked)
    box = make_brief(asked).aim.box_ft
    briefed, stall = setup.approach.speed_ktas, setup.approach.touchdown_ktas / 1.05
    rows = []
    for number in range(count):
        pupil = draw(chance, wild)
        laps: list[FlownLap] = []
        truth = np.sort(fly(pupil, briefed, stall, 6.0, np.random.default_rng(seed + number), TRUTH)[0])
        mended = replace(pupil, habit_kt=0.0)
        if_briefed = np.sort(fly(mended, briefed, stall, 6.0, np.random.default_rng(seed + number), TRUTH)[0])
        width = box[1] - box[0]
        inside = np.searchsorted(truth, truth + width, side='right') - np.arange(truth.size)
        best = inside.max() / truth.size
        aim_before = None
        for lap in range(1, LAPS + 1):
            known = calibrate(
                aircraft_laps=laps,
                pilot_laps=laps,
                prior_deceleration_fps2=prior_deceleration_fps2(asked),
                power_share=power_share('normal'),
            )
            after = replace(asked, calibration=known)
            brief = make_brief(after)
            aim = brief.aim.recommended_aim_point_ft
            if aim_before is not None:
                aim = float(np.clip(aim, aim_before - 150, aim_before + 150))
            brief = make_brief(replace(after, aim_point_ft=aim))
            aim_before = aim

            rows.append(
                {
                    'pupil': number,
                    'lap': lap,
                    'said': brief.aim.hit_chance,
                    'true': chance_of(aim + truth, box),
                    'said_briefed': brief.aim.hit_chance_if_briefed,
                    'true_briefed': chance_of(aim + if_briefed, box),
                    'best': best,
                    'thumb': chance_of(1_300 + truth, box),
                    'short': float(np.mean(aim + truth < 0)),
                    'habit_in': abs(known.speed_habit_kt - pupil.habit_kt) <= 1.96 * known.speed_habit_sd_kt,
                    'reads': pupil.reads,
                    'off_kt': known.speed_habit_kt - pupil.habit_kt,
                    'mean_off': brief.touchdown.predicted_lately_ft - aim - float(truth.mean()),
                }
            )
            touchdown, speed, held = one_landing(pupil, briefed, stall, 6.0, chance)
            read = round(speed + 1.2 * chance.standard_normal()) if pupil.reads else None
            approach = setup.approach if read is None else replace(setup.approach, speed_ktas=float(read))
            timed = round(held + 0.3 * chance.standard_normal(), 1) if chance.random() < 0.4 else None
            laps.append(
                FlownLap(
                    approach=approach,
                    touchdown_from_aim_ft=touchdown,
                    speed_is_known=read is not None,
                    float_s=None if timed is None else max(0.0, timed),
                    briefed_ktas=briefed,
                )
            )
    return rows


def tell(rows: list[dict[str, float]], school: str) -> None:
    """Print what was said against what was true."""
    print(f'\naim for the {school} speed, {len({row["pupil"] for row in rows})} pupils')
    titles = ('lap', 'said', 'true', 'if briefed', 'true', 'of best', 'worst 10th', '200 ft rule')
    print(''.join(f'{title:>12}' for title in titles))
    for lap in range(1, LAPS + 1):
        here = [row for row in rows if row['lap'] == lap]
        share = np.array([row['true'] / max(row['best'], 1e-6) for row in here])
        worst = np.sort(share)[: max(1, len(share) // 10)].mean()
        thumb = np.mean([row['thumb'] / max(row['best'], 1e-6) for row in here])
        means = [np.mean([row[name] for row in here]) for name in ('said', 'true', 'said_briefed', 'true_briefed')]
        print(f'{lap:>12}' + ''.join(f'{value:>12.3f}' for value in (*means, share.mean(), worst, thumb)))
    print('said in bands, laps 3 to 8: said, true, how many (standard error by pupil)')
    bands = defaultdict(list)
    for row in rows:
        if row['lap'] >= 3:
            bands[min(9, int(row['said'] * 10))].append(row)
    for band, here in sorted(bands.items()):
        by_pupil = defaultdict(list)
        for row in here:
            by_pupil[row['pupil']].append(row['true'] - row['said'])
        means = np.array([np.mean(one) for one in by_pupil.values()])
        error = means.std() / np.sqrt(len(means))
        print(
            f'  {band / 10:.1f}–{band / 10 + 0.1:.1f}: {np.mean([r["said"] for r in here]):.3f} '
            f'{np.mean([r["true"] for r in here]):.3f} {len(here):>5} (±{error:.3f})'
        )
    for reads in (True, False):
        here = [row for row in rows if row['reads'] == reads and row['lap'] >= 3]
        print(
            f'speed {"read" if reads else "not read"}: said {np.mean([r["said"] for r in here]):.3f}, '
            f'true {np.mean([r["true"] for r in here]):.3f}; habit within its 95 %: '
            f'{np.mean([r["habit_in"] for r in here]):.0%}'
        )
    print(f'most landings before the threshold: {max(row["short"] for row in rows):.1%}')


if __name__ == '__main__':
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument('--pupils', type=int, default=100)
    parser.add_argument('--seed', type=int, default=1)
    wanted = parser.parse_args()
    for share in (1.0, 2.5):
        for name in ('briefed', 'habit'):
            print(f'\n{"calm" if share == 1 else "wild"} pupils', end='')
            tell(run(wanted.pupils, wanted.seed, name, share), name)
