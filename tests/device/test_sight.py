"""The browser's pinhole and its choice of pictures against the core's: the same to a thousandth of a pixel."""

import dataclasses

import numpy as np
import pytest

from bullseye.core.given.airfield import RunwayEnd
from bullseye.core.practise.sight import Eye, pixels, scene_of, sight
from bullseye.core.practise.threshold import SAID, Answer, belief, next_offset_deg
from tests.device.node import in_node

RUNWAY = RunwayEnd(
    ident='23', course_deg_true=218, length_ft=2_790, width_ft=60, elevation_ft=38, aiming_marks_ft=900, slope_pct=-0.9
)


def test_the_browser_draws_every_corner_where_the_core_sees_it():
    rng = np.random.default_rng(23)
    scene = [one for one in scene_of(RUNWAY) if one.kind in ('pavement', 'paint', 'edge_light')]
    eyes = [
        Eye(
            along_ft=float(rng.uniform(-8_000, 1_500)),
            lateral_ft=float(rng.uniform(-300, 300)),
            height_ft=float(rng.uniform(8, 500)),
            heading_off_deg=float(rng.uniform(-15, 15)),
            pitch_deg=float(rng.uniform(-9, 8)),
            bank_deg=float(rng.uniform(-25, 25)),
        )
        for _ in range(40)
    ]
    given = {
        'eyes': [dataclasses.asdict(one) for one in eyes],
        'scene': [one.corners_ft.tolist() for one in scene],
    }
    drawn = in_node(
        """
        const { camera, horizon } = load('practise/sight')
        return given.eyes.map((eye) => ({ shapes: given.scene.map(camera(eye)), horizon: horizon(eye) }))
        """,
        given,
    )
    for eye, found in zip(eyes, drawn, strict=True):
        for solid, at in zip(scene, found['shapes'], strict=True):
            mine = pixels(solid.corners_ft, eye)
            assert np.asarray(at, float).reshape(-1, 2) == pytest.approx(mine, rel=1e-9, abs=1e-3)
        picture = sight(RUNWAY, eye, aim_point_ft=500, blind_distance_ft=40, eye_height_ft=7.5, solids=())
        line = next(one for one in picture.shapes if one.kind == 'horizon').pixels
        assert np.asarray(found['horizon']) == pytest.approx(np.asarray(line), rel=1e-6, abs=0.01)


def test_the_browser_shows_the_same_next_picture():
    rng = np.random.default_rng(5)
    traces = []
    for _ in range(6):
        sigma, bias = float(rng.uniform(0.15, 0.9)), float(rng.normal(0, 0.3))
        answers, known = [], belief([])
        for _ in range(20):
            off = next_offset_deg(known)
            felt = (off - bias) / sigma + rng.normal()
            said = 'high' if felt > 0.6 else 'low' if felt < -0.6 else 'right'
            answers.append(Answer(off_deg=off, said=said))
            known = belief(answers)
        traces.append(answers)
    found = in_node(
        "const { trace } = load('practise/threshold'); return given.map(trace)",
        [[[one.off_deg, one.said] for one in answers] for answers in traces],
    )
    for answers, shown in zip(traces, found, strict=True):
        mine = [next_offset_deg(belief(answers[:k])) for k in range(len(answers) + 1)]
        assert shown == mine
    assert SAID == ('high', 'low', 'right')
