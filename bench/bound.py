"""How near any estimator could come to the touchdown from the same recordings: one that flights themselves taught.

    PYTHONPATH=src .venv/bin/python bench/bound.py [flights to learn from] [held-out flights]

The analysis knows the physics and learns nothing from the simulator. Here a regression by Gaussian processes is shown
thousands of the simulator's own landings with the truth beside them: the fixes about the touchdown, what the analysis
made of them and of the flight's other landings. It is told what no analysis of a file can be told, how this simulator
flies, and so stands for the best there could be; the table tells both, on flights neither has seen.
"""

from __future__ import annotations

import multiprocessing
import sys
from functools import partial

import numpy as np

from bullseye.sim.recorder import record
from bullseye.tracks.analyse import analyse
from bullseye.tracks.fields import runways_of
from bullseye.tracks.readers import read_track
from tracks import CLASSES, DAY, flown

LEARN_FROM, HELD_OUT = 20_000, 100_000  # seeds
BEFORE_S, AFTER_S = 18.0, 9.0
KEEP = 24  # directions of the fixes that vary most
MOST = 4_000  # landings to learn from
LENGTHS, NOISES = (0.5, 0.8, 1.2, 2.0, 3.5), (0.1, 0.3, 1.0, 3.0)  # of the process, against the spread of its features
LATE = (
    '1 Hz late sink, clean',
    '1 Hz late sink, GNSS errors',
    '1 Hz late sink, whole metres',
    '1 Hz late sink, long floats, GNSS errors',
)


def landings(task: tuple[int, str], *, times: int) -> list[np.ndarray]:
    """Of each landing of a flight: true less found place, the stated ±, and what can be seen of it."""
    seed, name = task
    shape = CLASSES[name]
    flight = flown(seed, tuple(sorted(shape.flown)))
    out = []
    for again in range(times):
        recording = record(flight, shape.recorder, np.random.default_rng(seed + 1_000_000 * again))
        track = read_track(shape.written(recording).encode())
        found = analyse(track, runways_of(flight.ground.geojson, on=DAY))
        base = recording.start.timestamp()
        touches = [one for one in found.events if one.kind == 'touchdown' and one.along_ft is not None]
        for truth in flight.events:
            near = [one for one in touches if abs(one.time_s - base - truth['time_s']) < 12]
            if truth['kind'] != 'touchdown' or not near:
                continue
            event = min(near, key=lambda one: abs(one.time_s - base - truth['time_s']))
            at_s = event.time_s + np.arange(-BEFORE_S, AFTER_S + 0.5)
            speed = np.interp(at_s, track.time_s, track.speed_kt)
            height = np.interp(at_s, track.time_s, track.height_ft)
            rolled = np.median(height[-4:])
            others = [one for one in touches if one is not event] or [event]
            phase = (event.time_s - base) % 1.0
            seen = [
                *(speed - event.groundspeed_kt),
                *(height - rolled),
                *(event.groundspeed_kt, event.uncertainty_ft, event.hold_off.float_s, event.hold_off.deceleration_fps2),
                *(event.final.threshold_height_ft or 0.0, event.final.threshold_groundspeed_kt or 0.0),
                *(event.final.path_angle_deg or 0.0, event.sink_fpm or 0.0, event.along_ft),
                *(np.mean([one.groundspeed_kt for one in others]) - event.groundspeed_kt, len(others)),
                np.mean([one.hold_off.float_s for one in others]),
                np.mean([one.hold_off.deceleration_fps2 for one in others]),
                *(np.sin(2 * np.pi * phase), np.cos(2 * np.pi * phase)),
            ]
            error = (truth['along_ft'] - event.along_ft) / (event.groundspeed_kt * 1.68781)  # seconds
            out.append(np.array([error, event.groundspeed_kt * 1.68781, seed, *seen], dtype=float))
    return out


class Taught:
    """Regression by a Gaussian process on whitened features; length and noise are those that err least on a part."""

    def __init__(self, seen: np.ndarray, truth: np.ndarray, groups: np.ndarray) -> None:
        fixes = 2 * round(BEFORE_S + AFTER_S + 1)
        self.fixes = fixes
        self.middle, self.spread = np.median(seen, axis=0), seen.std(axis=0) + 1e-9
        flat = self._scaled(seen)
        parts = []
        for block in (slice(0, fixes // 2), slice(fixes // 2, fixes)):
            _, _, rows = np.linalg.svd(flat[:, block] - flat[:, block].mean(axis=0), full_matrices=False)
            parts.append(rows[: KEEP // 2])
        self.rows = parts
        features = self._features(seen)
        self.scale = features.std(axis=0) + 1e-9
        features = features / self.scale
        aside = groups % 5 == 0
        best = (np.inf, LENGTHS[0], NOISES[0])
        for length in LENGTHS:
            kernel = self._kernel(features[~aside], features[~aside], length)
            cross = self._kernel(features[aside], features[~aside], length)
            for noise in NOISES:
                weight = np.linalg.solve(kernel + noise * np.eye(kernel.shape[0]), truth[~aside])
                best = min(best, (float(np.mean((cross @ weight - truth[aside]) ** 2)), length, noise))
        _, self.length, self.noise = best
        self.known = features
        self.weight = np.linalg.solve(
            self._kernel(features, features, self.length) + self.noise * np.eye(truth.size), truth
        )

    def _scaled(self, seen: np.ndarray) -> np.ndarray:
        return np.clip((seen - self.middle) / self.spread, -5, 5)

    def _features(self, seen: np.ndarray) -> np.ndarray:
        flat, half = self._scaled(seen), self.fixes // 2
        return np.column_stack(
            [flat[:, :half] @ self.rows[0].T, flat[:, half : self.fixes] @ self.rows[1].T, flat[:, self.fixes :]]
        )

    @staticmethod
    def _kernel(a: np.ndarray, b: np.ndarray, length: float) -> np.ndarray:
        away = (a**2).sum(axis=1)[:, None] + (b**2).sum(axis=1)[None, :] - 2 * a @ b.T
        wide = length**2 * a.shape[1]
        # smooth and straight together: a line is learned from fewer landings than a curve
        return np.exp(-0.5 * away / wide) + 0.3 * (a @ b.T) / a.shape[1]

    def says(self, seen: np.ndarray) -> np.ndarray:
        return self._kernel(self._features(seen) / self.scale, self.known, self.length) @ self.weight


def main(learn: int, held_out: int) -> None:
    print('| recording | landings | analysis: median, 95 %, bias ft | taught: median, 95 %, bias ft | ratio of both |')
    print('|---|---|---|---|---|')
    for name in LATE:
        with multiprocessing.Pool(2) as pool:
            given = pool.map(partial(landings, times=3), [(LEARN_FROM + k, name) for k in range(learn)], chunksize=4)
            asked = pool.map(partial(landings, times=1), [(HELD_OUT + k, name) for k in range(held_out)], chunksize=4)
        known, new = (np.array([row for rows in part for row in rows]) for part in (given, asked))
        known = known[np.random.default_rng(1).permutation(len(known))[:MOST]]
        # what lies far out would lead the regression
        usual = np.abs(known[:, 0]) < 8.0
        known = known[usual]
        taught = Taught(known[:, 3:], known[:, 0], known[:, 2])
        ours = new[:, 0] * new[:, 1]
        theirs = (new[:, 0] - taught.says(new[:, 3:])) * new[:, 1]
        told = [
            f'{np.median(np.abs(e)):.0f}, {np.percentile(np.abs(e), 95):.0f}, {-e.mean():+.0f}' for e in (ours, theirs)
        ]
        ratios = [
            np.median(np.abs(ours)) / np.median(np.abs(theirs)),
            np.percentile(np.abs(ours), 95) / np.percentile(np.abs(theirs), 95),
        ]
        print(
            f'| {name} | {len(new)} | {told[0]} | {told[1]} | {ratios[0]:.2f}, {ratios[1]:.2f} |'
            f' <!-- {len(known)} landings, length {taught.length}, noise {taught.noise} -->',
            flush=True,
        )


if __name__ == '__main__':
    given = [int(one) for one in sys.argv[1:]] + [600, 200][len(sys.argv) - 1 :]
    main(given[0], given[1])
