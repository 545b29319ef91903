"""How well a forecast comes true, and how good the advice is: simulated pupils of other physics than the model's.

Each pupil has habits that nobody knows: a speed, a roundout height, a touchdown speed, an aeroplane that slows as its
drag says. They fly the aim they are told. What Bullseye says is compared with what simulation of the same pupil gives.
They come to one school, one after the other, and what is believed of the next is learned from those before.

Beside it stand an observer who knows the simulator and how its pupils are drawn, and weighs some thousands of them by
how well they explain the laps (the best that can be had), a plain regression, and the rule of thumb.

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
from bullseye.core.learn.population import learn_population
from bullseye.core.measure.flown import FlownLap
from bullseye.demo.fleet import AIRCRAFT

FPS = 6_076.12 / 3_600
G = 32.174
LAPS = 8
SNAPSHOT = 25  # pupils, after which the school is looked at again
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


class Observer:
    """Who knows the simulator and the population: pupils drawn from it, weighed by how well they explain the laps."""

    def __init__(self, briefed: float, stall: float, wild: float, *, count: int = 3_000) -> None:
        chance = np.random.default_rng(99)
        self.briefed, landings = briefed, 200
        self.aims = np.arange(400.0, 1_801.0, 10.0)
        self.landed = np.empty((count, landings))
        figures = []
        for number in range(count):
            pupil = draw(chance, wild)
            # touchdowns at speeds that lie apart give the line and the scatter about it
            offsets = pupil.habit_kt + max(1.0, pupil.speed_sd_kt) * np.linspace(-1.5, 1.5, 7)
            rows = [
                fly(replace(pupil, habit_kt=off, speed_sd_kt=0.0), briefed, stall, 6.0, chance, 60) for off in offsets
            ]
            along = np.array([row[0] for row in rows])
            held = np.array([row[2] for row in rows])
            slope, at_habit = np.polyfit(offsets - pupil.habit_kt, along.mean(axis=1), 1)
            slower, float_s = np.polyfit(offsets - pupil.habit_kt, held.mean(axis=1), 1)
            figures.append(
                (
                    *(pupil.habit_kt, pupil.speed_sd_kt, at_habit, slope, along.std(axis=1).mean()),
                    *(float_s, slower, held.std(axis=1).mean()),
                )
            )
            self.landed[number] = fly(pupil, briefed, stall, 6.0, chance, landings)[0]
        self.figures = np.array(figures).T

    def log_likely(self, touchdown: float, read: float | None, timed: float | None) -> np.ndarray:
        """How well each pupil explains a lap."""
        habit, speed_sd, at_habit, slope, scatter, float_s, longer, float_sd = self.figures
        off, off_sd = np.zeros_like(habit), speed_sd
        found = np.zeros_like(habit)
        if read is not None:
            seen_sd = np.hypot(1.2, 0.29)
            total = np.hypot(speed_sd, seen_sd)
            found += -np.log(total) - 0.5 * ((read - self.briefed - habit) / total) ** 2
            share = speed_sd**2 / total**2
            off, off_sd = share * (read - self.briefed - habit), speed_sd * np.sqrt(1 - share)
        sd = np.hypot(scatter, slope * off_sd)
        found += -np.log(sd) - 0.5 * ((touchdown - at_habit - slope * off) / sd) ** 2
        if timed is not None:
            sd = np.sqrt(float_sd**2 + (longer * off_sd) ** 2 + 0.3**2)
            found += -np.log(sd) - 0.5 * ((timed - float_s - longer * off) / sd) ** 2
        return found

    def aim(self, laps: list[tuple[float, float | None, float | None]], box: tuple[float, float]) -> float:
        """The aim that hits most often, by all that the laps tell."""
        log_share = sum((self.log_likely(*lap) for lap in laps), np.zeros(len(self.landed)))
        share = np.exp(log_share - log_share.max())
        likely = np.argsort(share)[-400:]
        weights = share[likely] / share[likely].sum()
        flat, by = self.landed[likely].ravel(), np.repeat(weights, self.landed.shape[1]) / self.landed.shape[1]
        order = np.argsort(flat)
        flat, total = flat[order], np.concatenate([[0.0], np.cumsum(by[order])])
        low, high = (np.searchsorted(flat, edge - self.aims) for edge in box)
        hits = total[high] - total[low]
        return float(self.aims[int(np.argmax(hits))])


def observer_of(wild: float) -> Observer:
    """The observer of one population."""
    setup = landing_setup(request())
    return Observer(setup.approach.speed_ktas, setup.approach.touchdown_ktas / 1.05, wild)


def regressed_aim(laps, box, usual_ft: float) -> float:
    """The aim by a plain regression: the mean of where they touched, with nothing known before."""
    if not laps:
        return (box[0] + box[1]) / 2 - usual_ft
    return (box[0] + box[1]) / 2 - float(np.mean([touchdown for touchdown, _, _ in laps]))


def run(
    count: int,
    seed: int,
    school: str,
    wild: float,
    *,
    mends: bool = False,
    observer: Observer | None = None,
    most_laps: int = LAPS,
) -> list[dict[str, float]]:
    """Every lap of every pupil: what was said, and what was true.

    :param observer: who knows how pupils are drawn, to compare with
    :param mends: pupils give up half of what they are too fast or too slow each time they are told to
    """
    chance = np.random.default_rng(seed)
    asked = request()
    asked = replace(asked, technique=replace(asked.technique, aim_speed=school))
    setup = landing_setup(asked)
    box = make_brief(asked).aim.box_ft
    briefed, stall = setup.approach.speed_ktas, setup.approach.touchdown_ktas / 1.05
    usual_ft = make_brief(asked).touchdown.touchdown_minus_aim_ft
    rows, before, population = [], [], None
    for number in range(count):
        if number and number % SNAPSHOT == 0:
            population = learn_population(before[-300:])
        pupil = draw(chance, wild)
        laps: list[FlownLap] = []
        plain: list[tuple[float, float | None, float | None]] = []
        aim_before = None
        for lap in range(1, most_laps + 1):
            truth = np.sort(fly(pupil, briefed, stall, 6.0, np.random.default_rng(seed + number), TRUTH)[0])
            mended = replace(pupil, habit_kt=0.0)
            if_briefed = np.sort(fly(mended, briefed, stall, 6.0, np.random.default_rng(seed + number), TRUTH)[0])
            width = box[1] - box[0]
            inside = np.searchsorted(truth, truth + width, side='right') - np.arange(truth.size)
            best = inside.max() / truth.size
            known = calibrate(
                aircraft_laps=laps,
                pilot_laps=laps,
                prior_deceleration_fps2=prior_deceleration_fps2(asked),
                power_share=power_share('normal'),
                population=population,
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
                    'observer': np.nan if observer is None else chance_of(observer.aim(plain, box) + truth, box),
                    'regressed': chance_of(regressed_aim(plain, box, usual_ft) + truth, box),
                    'thumb': chance_of(1_300 + truth, box),
                    'short': float(np.mean(aim + truth < 0)),
                    'habit_in': abs(known.speed_habit_kt - pupil.habit_kt) <= 1.96 * known.speed_habit_sd_kt,
                    'mean_in': _mean_in(brief, aim, truth, known),
                    'reads': pupil.reads,
                }
            )
            touchdown, speed, held = one_landing(pupil, briefed, stall, 6.0, chance)
            read = round(speed + 1.2 * chance.standard_normal()) if pupil.reads else None
            approach = setup.approach if read is None else replace(setup.approach, speed_ktas=float(read))
            timed = round(held + 0.3 * chance.standard_normal(), 1) if chance.random() < 0.4 else None
            plain.append((touchdown, read, timed))
            laps.append(
                FlownLap(
                    approach=approach,
                    touchdown_from_aim_ft=touchdown,
                    speed_is_known=read is not None,
                    float_s=None if timed is None else max(0.0, timed),
                    briefed_ktas=briefed,
                )
            )
            if mends and lap >= 2:
                pupil = replace(pupil, habit_kt=pupil.habit_kt / 2)
        before.append(laps)
    return rows


def _mean_in(brief, aim: float, truth, known) -> bool:
    """Whether the mean touchdown lies within its stated 95 %."""
    per_kt = brief.touchdown.ft_per_kt_speed
    sd = np.hypot(known.bias_sd_ft, per_kt * known.speed_habit_sd_kt)
    both = 2 * (known.bias_habit_corr or 0.0) * known.bias_sd_ft * per_kt * known.speed_habit_sd_kt
    off = brief.touchdown.predicted_lately_ft - aim - float(truth.mean())
    return bool(abs(off) <= 1.96 * np.sqrt(max(1.0, sd**2 + both)))


def tell(rows: list[dict[str, float]], school: str) -> None:
    """Print what was said against what was true, for pupils of a school that has had some before."""
    rows = [row for row in rows if row['pupil'] >= SNAPSHOT]
    pupils = len({row['pupil'] for row in rows})
    print(f'\naim for the {school} speed, {pupils} pupils after the first {SNAPSHOT}')
    titles = ('lap', 'said', 'true', '±', 'if briefed', 'true', 'of best', 'w. 10th')
    more = ('observer', 'w. 10th', 'ratio', 'w. ratio', 'regression', '200 ft')
    print(''.join(f'{title:>11}' for title in (*titles, *more)))
    for lap in range(1, LAPS + 1):
        here = [row for row in rows if row['lap'] == lap]

        def of_best(name: str, here=here) -> tuple[float, float]:
            share = np.array([row[name] / max(row['best'], 1e-6) for row in here])
            return float(share.mean()), float(np.sort(share)[: max(1, len(share) // 10)].mean())

        ours, theirs = of_best('true'), of_best('observer')
        off = np.array([row['true'] - row['said'] for row in here])
        means = [np.mean([row[name] for row in here]) for name in ('said', 'true')]
        briefed = [np.mean([row[name] for row in here]) for name in ('said_briefed', 'true_briefed')]
        figures = (
            *means,
            off.std() / np.sqrt(pupils),
            *briefed,
            *ours,
            *theirs,
            ours[0] / theirs[0],
            ours[1] / theirs[1],
        )
        figures += (of_best('regressed')[0], of_best('thumb')[0])
        print(f'{lap:>11}' + ''.join(f'{value:>11.3f}' for value in figures))
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
            f'true {np.mean([r["true"] for r in here]):.3f}; within their 95 %: habit '
            f'{np.mean([r["habit_in"] for r in here]):.0%}, mean touchdown {np.mean([r["mean_in"] for r in here]):.0%}'
        )
    print(f'most landings before the threshold: {max(row["short"] for row in rows):.1%}')


if __name__ == '__main__':
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument('--pupils', type=int, default=100)
    parser.add_argument('--seed', type=int, default=1)
    parser.add_argument('--only', choices=['calm', 'wild'])
    parser.add_argument('--school', choices=['briefed', 'habit', 'mends'])
    wanted = parser.parse_args()
    for share in (1.0, 2.5):
        kind = 'calm' if share == 1 else 'wild'
        if wanted.only not in (None, kind):
            continue
        for name in ('briefed', 'habit'):
            if wanted.school in (None, name):
                print(f'\n{kind} pupils', end='')
                tell(run(wanted.pupils + SNAPSHOT, wanted.seed, name, share, observer=observer_of(share)), name)
        if wanted.school in (None, 'mends'):
            print(f'\n{kind} pupils who mend their speed when told', end='')
            seen = run(wanted.pupils + SNAPSHOT, wanted.seed, 'briefed', share, mends=True, observer=observer_of(share))
            tell(seen, 'briefed')
