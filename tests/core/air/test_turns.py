"""Wind in the runway's frame: what a heading, a speed and a wind add up to, against plain vectors."""

import math

import numpy as np
import pytest

from bullseye.core.air.turns import GroundWind, groundspeed_on, heading_for
from bullseye.core.basis.constants import FPS_PER_KT


def vector(deg, knots):
    return knots * np.array([math.cos(math.radians(deg)), math.sin(math.radians(deg))])  # along, to the right


@pytest.mark.parametrize('track_deg', [0.0, -90.0, 180.0, 67.0])
@pytest.mark.parametrize(('along_kt', 'right_kt'), [(-11.0, 4.0), (7.0, -13.0)])
def test_heading_and_speed_with_the_wind_make_the_track(track_deg, along_kt, right_kt):
    # [pub: FAA-H-8083-25, the wind triangle]
    wind = GroundWind(along_fps=along_kt * FPS_PER_KT, right_fps=right_kt * FPS_PER_KT)
    heading_deg = heading_for(track_deg=track_deg, speed_ktas=66.0, wind=wind)
    ground_kt = groundspeed_on(track_deg=track_deg, heading_deg=heading_deg, speed_ktas=66.0, wind=wind)
    flown = vector(heading_deg, 66.0) + np.array([along_kt, right_kt])
    assert flown == pytest.approx(vector(track_deg, ground_kt), abs=1e-9)
    assert ground_kt == pytest.approx(np.linalg.norm(flown), abs=1e-9)


@pytest.mark.parametrize(('right_kt', 'is_held'), [(59.9, True), (60.0, False), (61.0, False), (-61.0, False)])
def test_no_heading_holds_a_track_across_a_wind_as_fast_as_the_aeroplane(right_kt, is_held):
    wind = GroundWind(along_fps=5.0, right_fps=right_kt * FPS_PER_KT)
    assert (heading_for(track_deg=0.0, speed_ktas=60.0, wind=wind) is not None) is is_held
