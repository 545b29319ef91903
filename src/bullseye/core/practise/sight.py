"""What is seen from the seat: directions and pinhole places of runway, paint, lights, horizon, ground and cowling.

Places are in the frame of the runway: along it from the landing threshold, to its right, and above the threshold [ft].
A direction is an azimuth from the runway's course, positive right, and an elevation from the horizontal, positive up
[°]; a pinhole place is in pixels from the top left. Source: [own, geometry]; the sea horizon's dip [pub: Nautical
Almanac, 0.97′ for each root of a foot, value from memory].
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated, Literal

import numpy as np
from annotated_types import Ge, Gt, Le
from numpy.typing import NDArray

from bullseye.core.basis.constants import STRIPE_FT, STRIPE_GAP_FT
from bullseye.core.basis.quantity import Checked, Real
from bullseye.core.given.airfield import RunwayEnd

Floats = NDArray[np.float64]
Kind = Literal['pavement', 'paint', 'edge_light', 'path_light', 'ground', 'horizon', 'cowling', 'aim_mark']
Colour = Literal['white', 'red', 'none']

_NEAREST_FT = 1.0  # [own] what is nearer before the eye is cut off
_DIP_DEG = 0.97 / 60  # [pub: Nautical Almanac, from memory] for each root of a foot of height
_PAINT_WIDTH_FT = 3.0  # [own] of the centreline; 1 to 3 ft are painted
_BAR_FT = (150.0, 20.0)  # [own] an aiming mark, long and wide
_THRESHOLD_BARS_FT = (20.0, 150.0, 5.75)  # [pub: FAA AC 150/5340-1, from memory] start, length, width
_LIGHTS_EVERY_FT = 200.0  # [com]
_PATH_LIGHTS_OFF_FT, _PATH_LIGHTS_APART_FT = 50.0, 30.0  # [com] left of the edge, and between them
PATH_LIGHT_STEPS_DEG = (0.5, 1 / 6, -1 / 6, -0.5)  # [pub: ICAO Annex 14, from memory] from the path, outermost last
_GROUND_EVERY_FT, _GROUND_ACROSS_FT = 1_000.0, 6_000.0  # [own] of the marks that give the ground its texture
_GROUND_BEFORE_FT, _GROUND_BEYOND_FT = 12_000.0, 6_000.0  # [own]


@dataclass(frozen=True, slots=True, kw_only=True)
class Eye(Checked):
    """Where the eyes are, which way the nose points, and the picture that is drawn.

    ``heading_off_deg`` is the nose right of the runway's course, ``pitch_deg`` up, ``bank_deg`` right wing down;
    ``fov_deg`` is the width of the picture as an angle.
    """

    along_ft: Annotated[Real, Ge(-100_000), Le(30_000)]
    lateral_ft: Annotated[Real, Ge(-30_000), Le(30_000)] = 0.0
    height_ft: Annotated[Real, Gt(0), Le(10_000)]
    heading_off_deg: Annotated[Real, Ge(-180), Le(180)] = 0.0
    pitch_deg: Annotated[Real, Ge(-60), Le(60)] = 0.0
    bank_deg: Annotated[Real, Ge(-90), Le(90)] = 0.0
    fov_deg: Annotated[Real, Ge(1), Le(120)] = 60.0
    width_px: Annotated[Real, Ge(16), Le(8_192)] = 1_280.0
    height_px: Annotated[Real, Ge(16), Le(8_192)] = 800.0

    @property
    def focal_px(self) -> float:
        """Focal length of the pinhole [pixels]."""
        return self.width_px / 2 / math.tan(math.radians(self.fov_deg / 2))


@dataclass(frozen=True, slots=True, kw_only=True)
class Solid:
    """Something that stands still: its corners in the frame of the runway, shape (n, 3) [ft]."""

    kind: Kind
    name: str
    corners_ft: Floats


@dataclass(frozen=True, slots=True, kw_only=True)
class Shape:
    """Something as it is seen: corners as azimuth and elevation [°], and as pixels of what lies before the eye.

    ``pixels`` is empty where nothing of it does. ``colour`` is of lights.
    """

    kind: Kind
    name: str
    degrees: tuple[tuple[float, float], ...]
    pixels: tuple[tuple[float, float], ...]
    colour: Colour = 'none'


@dataclass(frozen=True, slots=True, kw_only=True)
class Sight:
    """A whole picture. ``aim_depression_deg`` is how far below the horizontal the aim point is seen; ``path_deg`` the
    angle of the straight way from the eyes to it over the ground: on the centreline the same.
    """

    focal_px: float
    horizon_dip_deg: float
    aim_depression_deg: float
    path_deg: float
    shapes: tuple[Shape, ...]


def surface_ft(runway: RunwayEnd, along_ft: Floats | float) -> Floats:
    """Height of the surface over the threshold [ft]."""
    found: Floats = np.asarray(along_ft, float) * runway.slope_pct / 100
    return found


def _flat(runway: RunwayEnd, from_ft: float, to_ft: float, left_ft: float, right_ft: float) -> Floats:
    along = np.array([from_ft, to_ft, to_ft, from_ft])
    across = np.array([left_ft, left_ft, right_ft, right_ft])
    return np.column_stack([along, across, surface_ft(runway, along)])


def scene_of(runway: RunwayEnd) -> tuple[Solid, ...]:
    """Everything of a runway that stands still, in the order in which it is drawn."""
    start_ft, end_ft = -runway.displaced_threshold_ft, runway.landing_distance_available_ft
    half = runway.width_ft / 2
    pavement = _flat(runway, start_ft, end_ft, -half, half)
    found = [*_ground(runway), Solid(kind='pavement', name='runway', corners_ft=pavement)]
    if runway.has_paint:
        found += _paint(runway, end_ft, half)
    found += [
        Solid(
            kind='edge_light',
            name=f'edge {side} {along:.0f}',
            corners_ft=np.array([[along, across, float(surface_ft(runway, along))]]),
        )
        for side, across in (('left', -half), ('right', half))
        for along in np.arange(start_ft, end_ft + 1, _LIGHTS_EVERY_FT)
    ]
    return tuple(found)


def _ground(runway: RunwayEnd) -> list[Solid]:
    """Marks on the ground around, which give it a texture; the ground is as high as the threshold."""
    end_ft = runway.landing_distance_available_ft
    rows = np.arange(-_GROUND_BEFORE_FT, end_ft + _GROUND_BEYOND_FT, _GROUND_EVERY_FT)
    found = []
    for along in rows:
        for across in np.arange(-_GROUND_ACROSS_FT, _GROUND_ACROSS_FT + 1, _GROUND_EVERY_FT):
            if abs(across) <= runway.width_ft:
                continue
            point = np.array([[along, across, 0.0]])
            found.append(Solid(kind='ground', name=f'ground {along:.0f} {across:.0f}', corners_ft=point))
    return found


def _paint(runway: RunwayEnd, end_ft: float, half: float) -> list[Solid]:
    """Threshold bars, centreline stripes, and the aiming marks where there are any."""
    found = []
    start_ft, long_ft, wide_ft = _THRESHOLD_BARS_FT
    number = max(1, int(half / (2 * wide_ft)) - 1)
    for k in range(number):
        for side in (-1.0, 1.0):
            near = side * (3.0 + 2 * k * wide_ft)
            edges = sorted((near, near + side * wide_ft))
            corners = _flat(runway, start_ft, min(end_ft, start_ft + long_ft), *edges)
            found.append(
                Solid(kind='paint', name=f'threshold bar {"left" if side < 0 else "right"} {k + 1}', corners_ft=corners)
            )
    along, k = start_ft + long_ft + STRIPE_GAP_FT, 1
    while along + STRIPE_FT <= end_ft:
        corners = _flat(runway, along, along + STRIPE_FT, -_PAINT_WIDTH_FT / 2, _PAINT_WIDTH_FT / 2)
        found.append(Solid(kind='paint', name=f'stripe {k}', corners_ft=corners))
        along, k = along + STRIPE_FT + STRIPE_GAP_FT, k + 1
    if runway.aiming_marks_ft is not None and runway.aiming_marks_ft + _BAR_FT[0] < end_ft:
        for side in (-1.0, 1.0):
            edges = sorted((side * half * 0.35, side * (half * 0.35 + min(_BAR_FT[1], half / 2))))
            corners = _flat(runway, runway.aiming_marks_ft, runway.aiming_marks_ft + _BAR_FT[0], *edges)
            found.append(Solid(kind='paint', name=f'aiming mark {"left" if side < 0 else "right"}', corners_ft=corners))
    return found


def axes(eye: Eye) -> Floats:
    """The eye's axes in the frame of the runway: rows right, down and forward, shape (3, 3).

    Turned by heading, then pitch, then bank, each about the axis as the turn before has left it.
    """
    psi, theta, phi = (math.radians(one) for one in (eye.heading_off_deg, eye.pitch_deg, eye.bank_deg))
    forward = np.array([math.cos(theta) * math.cos(psi), math.cos(theta) * math.sin(psi), math.sin(theta)])
    level_right = np.array([-math.sin(psi), math.cos(psi), 0.0])
    level_down = np.cross(forward, level_right) * (1.0 if np.cross(forward, level_right)[2] < 0 else -1.0)
    right = math.cos(phi) * level_right + math.sin(phi) * level_down
    down = math.cos(phi) * level_down - math.sin(phi) * level_right
    return np.array([right, down, forward])


def directions_deg(points_ft: Floats, eye: Eye) -> Floats:
    """Azimuth from the runway's course and elevation from the horizontal of points, shape (n, 2) [°]."""
    off = np.asarray(points_ft, float) - np.array([eye.along_ft, eye.lateral_ft, eye.height_ft])
    azimuth = np.degrees(np.arctan2(off[:, 1], off[:, 0]))
    elevation = np.degrees(np.arctan2(off[:, 2], np.hypot(off[:, 0], off[:, 1])))
    return np.column_stack([azimuth, elevation])


def pixels(points_ft: Floats, eye: Eye) -> Floats:
    """Pinhole places of the corners of a shape; what lies behind the eye is cut off, shape (m, 2) [pixels]."""
    off = np.asarray(points_ft, float) - np.array([eye.along_ft, eye.lateral_ft, eye.height_ft])
    seen = _before_the_eye(off @ axes(eye).T)
    if not len(seen):
        return np.empty((0, 2))
    x = eye.width_px / 2 + eye.focal_px * seen[:, 0] / seen[:, 2]
    y = eye.height_px / 2 + eye.focal_px * seen[:, 1] / seen[:, 2]
    return np.column_stack([x, y])


def _before_the_eye(corners: Floats) -> Floats:
    """A polygon in the axes of the eye, cut at the plane just before it."""
    if len(corners) == 1:
        return corners if corners[0, 2] >= _NEAREST_FT else np.empty((0, 3))
    found = []
    for k, here in enumerate(corners):
        before = corners[k - 1]
        if (here[2] >= _NEAREST_FT) != (before[2] >= _NEAREST_FT):
            share = (_NEAREST_FT - before[2]) / (here[2] - before[2])
            found.append(before + share * (here - before))
        if here[2] >= _NEAREST_FT:
            found.append(here)
    return np.array(found) if found else np.empty((0, 3))


def horizon_dip_deg(height_ft: float) -> float:
    """How far below the horizontal the sea horizon is seen [°]. [pub: Nautical Almanac, from memory]"""
    return _DIP_DEG * math.sqrt(max(0.0, height_ft))


def depression_deg(eye: Eye, point_ft: Sequence[float]) -> float:
    """How far below the horizontal a point is seen [°]."""
    return -float(directions_deg(np.array([point_ft]), eye)[0, 1])


def path_lights_ft(runway: RunwayEnd, at_ft: float) -> Floats:
    """Four path lights left of the runway, the innermost first, shape (4, 3) [ft]."""
    across = -(runway.width_ft / 2 + _PATH_LIGHTS_OFF_FT) - _PATH_LIGHTS_APART_FT * np.arange(4)
    return np.column_stack([np.full(4, at_ft), across, np.full(4, float(surface_ft(runway, at_ft)))])


def path_light_colours(eye: Eye, runway: RunwayEnd, at_ft: float) -> tuple[Colour, ...]:
    """Which of the four are white, the innermost first: two on the path, more white above it, more red below."""
    found: list[Colour] = []
    for place, step_deg in zip(path_lights_ft(runway, at_ft), PATH_LIGHT_STEPS_DEG, strict=True):
        angle_deg = math.degrees(math.atan2(eye.height_ft - place[2], max(1.0, place[0] - eye.along_ft)))
        found.append('white' if angle_deg > runway.path_angle_deg + step_deg else 'red')
    return tuple(found)


def _horizon(eye: Eye) -> Shape:
    """The sea horizon as a line across the picture, by points around the way the nose points."""
    dip = horizon_dip_deg(eye.height_ft)
    azimuths = eye.heading_off_deg + np.linspace(-80.0, 80.0, 33)
    flat = np.radians(azimuths)
    away = np.column_stack([np.cos(flat), np.sin(flat), np.full(flat.size, -math.tan(math.radians(dip)))]) * 1e6
    here = away + np.array([eye.along_ft, eye.lateral_ft, eye.height_ft])
    seen = [pixels(one[None, :], eye) for one in here]
    return Shape(
        kind='horizon',
        name='horizon',
        degrees=tuple((float(a), -dip) for a in azimuths),
        pixels=tuple((float(one[0, 0]), float(one[0, 1])) for one in seen if len(one)),
    )


def _cowling(eye: Eye, blind_ft: float, eye_height_ft: float) -> Shape:
    """Where the nose hides the ground: fixed in the picture, as it hides the ground on the wheels."""
    below_deg = math.degrees(math.atan2(eye_height_ft, blind_ft)) if blind_ft > 0 else 90.0
    y = eye.height_px / 2 + eye.focal_px * math.tan(math.radians(min(below_deg, 80.0)))
    return Shape(
        kind='cowling',
        name='cowling',
        degrees=((-eye.fov_deg / 2, -below_deg), (eye.fov_deg / 2, -below_deg)),
        pixels=((0.0, y), (eye.width_px, y)),
    )


def sight(
    runway: RunwayEnd,
    eye: Eye,
    *,
    aim_point_ft: float,
    blind_distance_ft: float,
    eye_height_ft: float,
    has_path_lights: bool = False,
    solids: Sequence[Solid] | None = None,
) -> Sight:
    """Everything that is seen from one place.

    :param blind_distance_ft: of runway that the nose hides as the aircraft stands on its wheels
    :param eye_height_ft: of the eyes above the wheels
    :param solids: of the runway, for a caller who draws many pictures of it
    """
    aim = (aim_point_ft, 0.0, float(surface_ft(runway, aim_point_ft)))
    shapes = [_horizon(eye)]
    for one in scene_of(runway) if solids is None else solids:
        seen = pixels(one.corners_ft, eye)
        if len(seen):
            shapes.append(_shape(one.kind, one.name, one.corners_ft, seen, eye))
    if has_path_lights:
        places = path_lights_ft(runway, aim_point_ft)
        for k, colour in enumerate(path_light_colours(eye, runway, aim_point_ft)):
            at = places[k][None, :]
            shapes.append(_shape('path_light', f'path light {k + 1}', at, pixels(at, eye), eye, colour))
    at = np.array([aim])
    shapes.append(_shape('aim_mark', 'aim point', at, pixels(at, eye), eye))
    shapes.append(_cowling(eye, blind_distance_ft, eye_height_ft))
    return Sight(
        focal_px=eye.focal_px,
        horizon_dip_deg=horizon_dip_deg(eye.height_ft),
        aim_depression_deg=depression_deg(eye, aim),
        path_deg=math.degrees(math.atan2(eye.height_ft - aim[2], max(1e-6, aim_point_ft - eye.along_ft))),
        shapes=tuple(shapes),
    )


def _shape(kind: Kind, name: str, at: Floats, seen: Floats, eye: Eye, colour: Colour = 'none') -> Shape:
    return Shape(
        kind=kind,
        name=name,
        degrees=tuple((float(a), float(e)) for a, e in directions_deg(at, eye)),
        pixels=tuple((float(x), float(y)) for x, y in seen),
        colour=colour,
    )
