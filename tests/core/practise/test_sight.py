"""What is seen from the seat, against a second camera (OpenCV) and against facts of the trade."""

import math

import cv2
import numpy as np
import pytest

from bullseye.core.given.airfield import RunwayEnd
from bullseye.core.practise.sight import (
    Eye,
    axes,
    depression_deg,
    directions_deg,
    horizon_dip_deg,
    path_light_colours,
    pixels,
    scene_of,
    sight,
    surface_ft,
)

RUNWAY = RunwayEnd(
    ident='05', course_deg_true=38, length_ft=2_790, width_ft=60, elevation_ft=38, aiming_marks_ft=1_000, slope_pct=0.7
)


def level(**more):
    return RunwayEnd(
        **{'ident': '09', 'course_deg_true': 90, 'length_ft': 3_000, 'width_ft': 75, 'elevation_ft': 0} | more
    )


def on_path(angle_deg, *, aim_ft=700.0, out_ft=3_000.0, **more):
    height_ft = out_ft * math.tan(math.radians(angle_deg))
    return Eye(along_ft=aim_ft - out_ft, height_ft=height_ft, **more)


def test_every_pixel_is_where_a_second_camera_sees_it():
    rng = np.random.default_rng(11)
    compared = 0
    for _ in range(200):
        eye = Eye(
            along_ft=float(rng.uniform(-9_000, -50)),
            lateral_ft=float(rng.uniform(-900, 900)),
            height_ft=float(rng.uniform(8, 900)),
            heading_off_deg=float(rng.uniform(-25, 25)),
            pitch_deg=float(rng.uniform(-12, 9)),
            bank_deg=float(rng.uniform(-35, 35)),
            fov_deg=float(rng.uniform(25, 90)),
            width_px=float(rng.choice([640, 1_280, 3_840])),
            height_px=float(rng.choice([480, 800, 2_160])),
        )
        points = np.column_stack([rng.uniform(0, 4_000, 40), rng.uniform(-200, 200, 40), rng.uniform(-20, 60, 40)])
        # the frame of the runway is left-handed: with its last axis down it is what the other camera expects
        turned = axes(eye) @ np.diag([1.0, 1.0, -1.0])
        assert np.linalg.det(turned) == pytest.approx(1.0)
        down = points * [1, 1, -1]
        at = np.array([eye.along_ft, eye.lateral_ft, -eye.height_ft])
        lens = np.array([[eye.focal_px, 0, eye.width_px / 2], [0, eye.focal_px, eye.height_px / 2], [0, 0, 1]])
        seen, _ = cv2.projectPoints(down, cv2.Rodrigues(turned)[0], -turned @ at, lens, None)
        before = ((down - at) @ turned.T)[:, 2] > 1
        for point, other in zip(points[before], seen.reshape(-1, 2)[before], strict=True):
            mine = pixels(point[None, :], eye)[0]
            assert mine == pytest.approx(other, abs=1e-6 * max(1.0, np.abs(other).max()))
            compared += 1
    assert compared > 5_000


def test_the_aim_point_is_as_far_below_the_horizontal_as_the_path_is_steep():
    for angle_deg in (2.0, 3.0, 4.2, 6.8):
        found = sight(
            level(), on_path(angle_deg, pitch_deg=-1.5), aim_point_ft=700, blind_distance_ft=40, eye_height_ft=7.5
        )
        assert found.aim_depression_deg == pytest.approx(angle_deg, abs=1e-9)
        assert found.path_deg == pytest.approx(angle_deg, abs=1e-9)


def test_a_thousand_feet_at_three_quarters_of_a_mile_is_twelve_degrees_down():
    # [com] 12.4°
    eye = Eye(along_ft=900, lateral_ft=-0.75 * 6_076.12, height_ft=1_000, heading_off_deg=180)
    assert depression_deg(eye, (900, 0, 0)) == pytest.approx(12.4, abs=0.05)


@pytest.mark.parametrize(
    ('angle_deg', 'colours'),
    [
        (2.0, ('red', 'red', 'red', 'red')),
        (2.7, ('red', 'red', 'red', 'white')),
        (3.0, ('red', 'red', 'white', 'white')),
        (3.3, ('red', 'white', 'white', 'white')),
        (4.0, ('white', 'white', 'white', 'white')),
    ],
)
def test_path_lights_by_the_path(angle_deg, colours):
    # 3°30′, 3°10′, 2°50′, 2°30′ for a 3° path, the light nearest the runway the highest [pub: ICAO Annex 14, value from memory]
    assert path_light_colours(on_path(angle_deg), level(), 700) == colours


def edge_angle_deg(runway, eye):
    """Between the edges of the runway where they meet in the picture."""
    half = runway.width_ft / 2
    near, far = pixels(np.array([[0, half, 0.0]]), eye)[0], pixels(np.array([[2_900, half, 0.0]]), eye)[0]
    return math.degrees(math.atan2(near[0] - far[0], near[1] - far[1]))


def test_the_usual_picture_of_a_wider_runway_is_flown_steeper():
    # 75 ft at 3° looks like 105 ft at 4.2° [own, geometry; direction pub: AIM 8-1-5]
    usual = edge_angle_deg(level(), on_path(3.0, aim_ft=0.0))
    wide_deg = math.degrees(math.atan(math.tan(math.radians(3.0)) * 105 / 75))
    assert wide_deg == pytest.approx(4.2, abs=0.02)
    assert edge_angle_deg(level(width_ft=105), on_path(wide_deg, aim_ft=0.0)) == pytest.approx(usual, abs=0.01)
    assert edge_angle_deg(level(width_ft=52), on_path(3.0, aim_ft=0.0)) < usual - 3


def test_a_rising_runway_looks_too_high():
    # 1 % is 0.57° [pub: exact]: the plane of the runway is met by so much more
    up = level(slope_pct=1.0)
    eye = on_path(3.0, aim_ft=0.0)
    far = np.array([[3_000.0, 0.0, float(surface_ft(up, 3_000.0))]])
    flat = directions_deg(np.array([[3_000.0, 0.0, 0.0]]), eye)[0, 1]
    assert directions_deg(far, eye)[0, 1] > flat
    rising = math.degrees(math.atan2(float(surface_ft(up, 3_000.0)), 3_000.0))
    assert rising == pytest.approx(0.57, abs=0.005)


def test_the_horizon_dips_and_tilts_with_the_bank():
    # 0.35° at 480 ft, 0.51° at 1,000 ft [pub: Nautical Almanac, value from memory]
    assert horizon_dip_deg(480) == pytest.approx(0.35, abs=0.006)
    assert horizon_dip_deg(1_000) == pytest.approx(0.51, abs=0.006)
    picture = sight(RUNWAY, on_path(3.0, bank_deg=20), aim_point_ft=700, blind_distance_ft=40, eye_height_ft=7.5)
    line = next(one for one in picture.shapes if one.kind == 'horizon').pixels
    # right wing down: the horizon rises to the right in the picture, so its pixels fall
    run, rise = line[-1][0] - line[0][0], line[-1][1] - line[0][1]
    assert math.degrees(math.atan2(-rise, run)) == pytest.approx(20, abs=1.0)


def test_what_lies_behind_the_eye_is_cut_off_and_what_is_half_there_is_drawn():
    eye = Eye(along_ft=1_200, height_ft=12, pitch_deg=0)
    found = sight(RUNWAY, eye, aim_point_ft=700, blind_distance_ft=40, eye_height_ft=7.5)
    by_name = {one.name: one for one in found.shapes}
    assert 'stripe 1' not in by_name
    assert by_name['aim point'].pixels == ()
    assert len(by_name['runway'].pixels) >= 3
    assert all(math.isfinite(x) and math.isfinite(y) for one in found.shapes for x, y in one.pixels)


def test_paint_lies_on_the_runway_and_grass_has_none():
    half = RUNWAY.width_ft / 2
    for one in scene_of(RUNWAY):
        if one.kind == 'paint':
            assert np.abs(one.corners_ft[:, 1]).max() <= half
            assert 0 <= one.corners_ft[:, 0].min() < one.corners_ft[:, 0].max() <= RUNWAY.landing_distance_available_ft
            assert one.corners_ft[:, 2] == pytest.approx(one.corners_ft[:, 0] * 0.007)
    assert not [one for one in scene_of(level(surface='grass')) if one.kind == 'paint']


def test_the_nose_hides_what_it_hides_on_the_wheels():
    eye = on_path(3.0)
    found = sight(level(), eye, aim_point_ft=700, blind_distance_ft=40, eye_height_ft=7.5)
    cowling = next(one for one in found.shapes if one.kind == 'cowling')
    assert cowling.degrees[0][1] == pytest.approx(-math.degrees(math.atan(7.5 / 40)))
