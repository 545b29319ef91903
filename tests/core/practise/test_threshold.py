"""Thresholds of simulated observers come true: median, error and interval."""

import numpy as np
import pytest

from bullseye.core.practise.drills import ClipTruth, Picture, Press, judge_path, judge_roundout
from bullseye.core.practise.threshold import (
    OFFSETS_DEG,
    SAID,
    Answer,
    belief,
    just_noticed,
    next_offset_deg,
    table,
)


def test_two_hundred_observers_with_lapses_are_recovered():
    rng = np.random.default_rng(20)
    errors, held, leaning = [], [], []
    for _ in range(200):
        sigma, bias = float(np.exp(rng.uniform(np.log(0.12), np.log(1.2)))), float(rng.normal(0, 0.3))
        kappa, known, answers = float(rng.choice([0.3, 0.6, 1.0])), belief(()), []
        for _ in range(60):
            off = next_offset_deg(known)
            felt = (off - bias) / sigma + rng.normal()
            said = 'high' if felt > kappa else 'low' if felt < -kappa else 'right'
            if rng.random() < 0.02:
                said = SAID[rng.integers(3)]
            answers.append(Answer(off_deg=off, said=said))
            known = known * table()[SAID.index(said), ..., OFFSETS_DEG.index(off)]
            known = known / known.sum()
        found = just_noticed(answers)
        errors.append(found.sigma_deg / sigma - 1)
        held.append(found.low_deg <= sigma <= found.high_deg)
        leaning.append(abs(found.looks_right_deg - bias) <= found.looks_right_half_deg)
    assert abs(np.median(errors)) <= 0.05
    assert np.median(np.abs(errors)) <= 0.20
    assert 0.92 <= np.mean(held) <= 0.985  # 92 to 98, and what 200 draws may be off by
    assert 0.91 <= np.mean(leaning) <= 0.985


def test_chances_add_up_and_a_picture_far_off_is_seen():
    chances = table()
    assert chances.sum(axis=0) == pytest.approx(1.0)
    assert chances[SAID.index('high'), 0, 10, 0, -1] > 0.95
    assert chances[SAID.index('low'), 0, 10, 0, 0] > 0.95


def test_who_takes_a_low_picture_for_right_is_told_so():
    said = {-0.6: 'right', -0.3: 'high', 0.0: 'high', -0.8: 'right', -1.4: 'low', -1.0: 'low', -0.45: 'right'}
    answers = [Picture(off_deg=off, out_ft=1_200.0, said=one) for off, one in said.items()] * 4
    words = ' '.join(str(one) for one in judge_path(answers).words)
    assert 'below the path' in words
    assert 'Power' in words


def test_a_press_is_judged_by_height_and_time():
    truths = [
        ClipTruth(roundout_s=6.0, roundout_height_ft=9.0, sink_fps=5.0, end_s=8.5),
        ClipTruth(roundout_s=5.0, roundout_height_ft=8.0, sink_fps=4.0, end_s=7.5),
    ]
    early = judge_roundout(truths, [Press(clip=0, at_s=5.0), Press(clip=1, at_s=4.5)])
    assert early.figure == pytest.approx((5.0 + 2.0) / 2)
    assert any('too early' in str(one) for one in early.words)
    late = judge_roundout(truths, [Press(clip=0, at_s=6.6), Press(clip=1, at_s=None)])
    assert late.figure == pytest.approx((3.0 + 10.0) / 2)
    assert any('too late' in str(one) for one in late.words)
    good = judge_roundout(truths, [Press(clip=0, at_s=6.05), Press(clip=1, at_s=4.95)])
    assert len(good.words) == 1
