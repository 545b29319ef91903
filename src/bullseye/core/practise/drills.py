"""Two drills on the ground: is the path high, low or right; and when to begin the roundout."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Annotated

import numpy as np
from annotated_types import Ge, Le

from bullseye.core.basis.quantity import Checked, Real
from bullseye.core.basis.sentence import Phrasebook, Sentence, count, degrees, feet, seconds
from bullseye.core.brief.request import BriefRequest
from bullseye.core.given.airfield import RunwayEnd
from bullseye.core.practise.film import FilmRequest, Pilot, make_film
from bullseye.core.practise.sight import Kind, scene_of
from bullseye.core.practise.threshold import OFFSETS_DEG, Answer, Said, belief, just_noticed, next_offset_deg

_BOOK = Phrasebook('practise')
OUT_FT = (1_200.0, 2_400.0, 4_600.0, 9_100.0)  # [own] from the aim point, short final to a mile and a half
LEAST_PICTURES, MOST_PICTURES = 12, 120  # [own]
_FILMS = 6  # [own]
_BEFORE_S, _AFTER_S = (5.0, 9.0), 2.5  # [own] of a film, before the roundout begins and after it
_LATE_S, _HEIGHT_FT = 0.4, 4.0  # [own] within which a press is good


@dataclass(frozen=True, slots=True, kw_only=True)
class Drawn:
    """Something to be drawn: its corners in the frame of the runway [ft]."""

    kind: Kind
    name: str
    corners_ft: tuple[tuple[float, ...], ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class PathDrill:
    """Pictures from anywhere on final: the device shows any of these offsets from any of these distances."""

    scene: tuple[Drawn, ...]
    aim_point_ft: float
    path_angle_deg: float
    slope: float
    out_ft: tuple[float, ...]
    offsets_deg: tuple[float, ...]
    first_offset_deg: float  # which tells most before anything was said


@dataclass(frozen=True, slots=True, kw_only=True)
class ClipTruth(Checked):
    """When the roundout begins in a clip and how high the wheels are there, how fast they come down, and its end."""

    roundout_s: Annotated[Real, Ge(0), Le(60)]
    roundout_height_ft: Annotated[Real, Ge(0), Le(200)]
    sink_fps: Annotated[Real, Ge(0), Le(100)]
    end_s: Annotated[Real, Ge(0), Le(60)]

    def height_ft(self, at_s: float) -> float:
        """How high the wheels are there on the straight path, gone on along it where it is late."""
        return self.roundout_height_ft - self.sink_fps * (at_s - self.roundout_s)


@dataclass(frozen=True, slots=True, kw_only=True)
class Clip:
    """The end of one approach as poses; times from the start of the clip [s]."""

    time_s: tuple[float, ...]
    along_ft: tuple[float, ...]
    lateral_ft: tuple[float, ...]
    wheels_ft: tuple[float, ...]
    eye_height_ft: tuple[float, ...]
    heading_off_deg: tuple[float, ...]
    pitch_deg: tuple[float, ...]
    bank_deg: tuple[float, ...]
    truth: ClipTruth


@dataclass(frozen=True, slots=True, kw_only=True)
class RoundoutDrill:
    """Films at true speed; one press each."""

    scene: tuple[Drawn, ...]
    clips: tuple[Clip, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Picture(Checked):
    """What was said of one picture."""

    off_deg: Annotated[Real, Ge(-3), Le(3)]
    out_ft: Annotated[Real, Ge(100), Le(20_000)]
    said: Said


@dataclass(frozen=True, slots=True, kw_only=True)
class Press(Checked):
    """When the roundout was begun in one clip [s from its start]; None: not at all."""

    clip: Annotated[int, Ge(0), Le(50)]
    at_s: Annotated[Real, Ge(0), Le(60)] | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Practised:
    """What a drill measured: one figure with the ends of what holds 95 %, and what it means."""

    figure: float
    low: float
    high: float
    items: int
    words: tuple[Sentence, ...]


def _drawn(runway: RunwayEnd) -> tuple[Drawn, ...]:
    return tuple(
        Drawn(
            kind=one.kind,
            name=one.name,
            corners_ft=tuple(
                (round(float(x), 1), round(float(y), 1), round(float(z), 2)) for x, y, z in one.corners_ft
            ),
        )
        for one in scene_of(runway)
    )


def path_drill(runway: RunwayEnd, *, aim_point_ft: float) -> PathDrill:
    """Pictures of a runway, on its path and off it."""
    return PathDrill(
        scene=_drawn(runway),
        aim_point_ft=aim_point_ft,
        path_angle_deg=runway.path_angle_deg,
        slope=runway.slope_pct / 100,
        out_ft=OUT_FT,
        offsets_deg=OFFSETS_DEG,
        first_offset_deg=next_offset_deg(belief(())),
    )


def roundout_drill(request: BriefRequest, *, seed: int) -> RoundoutDrill:
    """Films of the approach that is briefed, each a little otherwise: in wind, speed and unrest."""
    rng = np.random.default_rng(seed)
    clips = []
    for _ in range(_FILMS):
        speed_off_kt = float(rng.uniform(-2, 4))
        film = make_film(
            FilmRequest(
                brief=replace(request, aim_point_ft=None),
                pilot=Pilot(speed_off_kt=speed_off_kt, lateral_ft=float(rng.normal(0, 6))),
                from_nm=0.5,
                seed=int(rng.integers(1, 2**31 - 1)),
            )
        )
        begins = next(one for one in film.events if one.what == 'roundout')
        from_s = begins.time_s - float(rng.uniform(*_BEFORE_S))
        shown = [k for k, t in enumerate(film.time_s) if from_s <= t <= begins.time_s + _AFTER_S]
        start_s = film.time_s[shown[0]]

        def cut(values: tuple[float, ...], shown: list[int] = shown) -> tuple[float, ...]:
            return tuple(values[k] for k in shown)

        clips.append(
            Clip(
                time_s=tuple(round(film.time_s[k] - start_s, 4) for k in shown),
                along_ft=cut(film.along_ft),
                lateral_ft=cut(film.lateral_ft),
                wheels_ft=cut(film.wheels_ft),
                eye_height_ft=cut(film.eye_height_ft),
                heading_off_deg=cut(film.heading_off_deg),
                pitch_deg=cut(film.pitch_deg),
                bank_deg=cut(film.bank_deg),
                truth=ClipTruth(
                    roundout_s=round(begins.time_s - start_s, 4),
                    roundout_height_ft=begins.wheels_ft,
                    sink_fps=round(_sink_fps(film.time_s, film.wheels_ft, begins.time_s), 4),
                    end_s=round(film.time_s[shown[-1]] - start_s, 4),
                ),
            )
        )
    return RoundoutDrill(scene=_drawn(request.runway), clips=tuple(clips))


def judge_path(answers: Sequence[Picture]) -> Practised:
    """The angle just noticed, in degrees, and in feet half a mile out."""
    found = just_noticed([Answer(off_deg=one.off_deg, said=one.said) for one in answers])
    words = [
        _BOOK.say(
            'path',
            angle=degrees(found.sigma_deg, step=0.01),
            off=feet(3_038.0 * math.tan(math.radians(found.sigma_deg)), step=5.0),
            pictures=count(len(answers)),
        )
    ]
    if abs(found.looks_right_deg) > found.looks_right_half_deg:
        side = 'path_flown_high' if found.looks_right_deg > 0 else 'path_flown_low'
        words.append(_BOOK.say(side, angle=degrees(abs(found.looks_right_deg), step=0.1)))
    return Practised(
        figure=found.sigma_deg, low=found.low_deg, high=found.high_deg, items=found.answers, words=tuple(words)
    )


def _sink_fps(time_s: Sequence[float], wheels_ft: Sequence[float], until_s: float) -> float:
    """How fast the wheels come down on the last second of the straight path."""
    early, late = (float(np.interp(until_s - before, time_s, wheels_ft)) for before in (1.0, 0.0))
    return max(0.0, early - late)


def judge_roundout(truths: Sequence[ClipTruth], presses: Sequence[Press]) -> Practised:
    """The mean size of the error in height [ft]; a clip in which nothing was pressed counts as met by the runway."""
    errors_ft, late_s = [], []
    for one in presses:
        truth = truths[one.clip]
        at_s = truth.end_s if one.at_s is None else one.at_s
        errors_ft.append(truth.height_ft(at_s) - truth.roundout_height_ft)
        late_s.append(at_s - truth.roundout_s)
    sizes = np.abs(errors_ft)
    mean_ft, mean_s = float(np.mean(errors_ft)), float(np.mean(late_s))
    half = 0.0 if sizes.size < 2 else float(1.96 * sizes.std(ddof=1) / math.sqrt(sizes.size))
    words = [
        _BOOK.say('roundout', height=feet(float(sizes.mean())), late=seconds(float(np.mean(np.abs(late_s))), step=0.1))
    ]
    if mean_ft > _HEIGHT_FT / 2:
        words.append(_BOOK.say('roundout_high', height=feet(mean_ft)))
    elif mean_s > _LATE_S / 2:
        words.append(_BOOK.say('roundout_late', late=seconds(mean_s, step=0.1)))
    return Practised(
        figure=float(sizes.mean()),
        low=max(0.0, float(sizes.mean()) - half),
        high=float(sizes.mean()) + half,
        items=int(sizes.size),
        words=tuple(words),
    )
