"""The benchmark of learning in small: pupils of other physics than the model's come to one school, one after the other."""

import importlib.util
import sys

import numpy as np
import pytest

from bullseye.launch.places import ROOT


@pytest.fixture(scope='module')
def bench():
    found = importlib.util.spec_from_file_location('bench_learning', ROOT / 'bench' / 'learning.py')
    module = importlib.util.module_from_spec(found)
    sys.modules['bench_learning'] = module
    found.loader.exec_module(module)
    module.TRUTH = 500
    return module


@pytest.mark.parametrize(('wild', 'of_best'), [(1.0, 0.86), (2.5, 0.84)])
def test_what_is_said_comes_true_and_the_aim_follows_the_pupil(bench, wild, of_best):
    rows = bench.run(bench.SNAPSHOT + 30, 1, 'habit', wild, most_laps=4)
    later = [row for row in rows if row['pupil'] >= bench.SNAPSHOT and row['lap'] >= 3]
    off = np.array([row['said'] - row['true'] for row in later]).reshape(-1, 2).mean(axis=1)
    # within 0.02 of the truth, or what thirty pupils leave open; the benchmark tells it of four hundred
    assert abs(off.mean()) < 0.02 + 2 * off.std() / np.sqrt(off.size)
    last = [row['true'] / row['best'] for row in later if row['lap'] == 4]
    assert np.mean(last) > of_best
    assert np.sort(last)[:3].mean() > 0.45
    first = [row['true'] / row['best'] for row in rows if row['pupil'] >= bench.SNAPSHOT and row['lap'] == 1]
    assert np.mean(last) > np.mean(first) + 0.08
    assert max(row['short'] for row in rows) <= 0.01
    assert np.mean([row['mean_in'] for row in later]) > 0.85


def test_where_the_aim_is_for_the_briefed_speed_the_habit_is_in_what_is_said(bench):
    rows = bench.run(bench.SNAPSHOT + 30, 12, 'briefed', 1.0, most_laps=4)
    later = [row for row in rows if row['pupil'] >= bench.SNAPSHOT and row['lap'] == 4]
    said, true, briefed = (np.array([row[name] for row in later]) for name in ('said', 'true', 'said_briefed'))
    assert np.corrcoef(said, true)[0, 1] > 0.6  # who is fast is told so
    assert said.mean() + 0.05 < briefed.mean()
