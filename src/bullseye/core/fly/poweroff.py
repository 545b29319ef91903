"""The power-off 180: how far the glide reaches from abeam the spot, and when to turn."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import cache

from bullseye.core.air.atmosphere import true_airspeed_kt
from bullseye.core.air.turns import STEEPEST_DEG, GroundWind, Turn, groundspeed_on, heading_for, stall_factor
from bullseye.core.basis.constants import FPS_PER_KT, FT_PER_NM, GRAVITY_FPS2, LEAST_STALL_MARGIN, SLIP_PATH_DEG
from bullseye.core.basis.errors import NotWorkedOut
from bullseye.core.basis.kinds import PatternSide, PowerOffShape
from bullseye.core.basis.sentence import Caution, Phrasebook, Sentence, degrees, feet, knots, seconds, told_apart
from bullseye.core.basis.unknown import known_or
from bullseye.core.given.aircraft import Aircraft, FlapSetting
from bullseye.core.given.airfield import RunwayEnd
from bullseye.core.model.speeds import stall_margin

# [own]
_STEP_S = 1.0
_BANK_DEG = 25.0  # [own]
_LEAST_BANK_DEG = 3.0  # [own] flatter than this is no turn
_LINED_UP_FT = 2.0  # [own] beside the centreline
_ROUNDS = 12
_SETTLED_FT = 0.5  # [own]
_ALTERNATIONS = 2
_FINAL_AT_FT = 60.0  # of height [own]: wings level on final by then
_LOWEST_FT = 300.0  # of pattern height [own]
_FARTHEST_NM = 1.5  # after abeam [own]: nobody glides in from farther out
_AT_ONCE_FT = 50.0  # [own] after abeam, which nobody can tell from abeam
_BOOK = Phrasebook('power_off')


@dataclass(frozen=True, slots=True, kw_only=True)
class PowerOffAnswer:
    """A power-off 180 from abeam the spot, feet in the runway frame; heights above the threshold.

    ``reach_ft`` is the stretch of runway where the path can be made to end, from full flap with a slip to clean;
    ``margin_ft`` how much glide is spare for the aim point: negative, it is not reached even clean.
    """

    shape: PowerOffShape
    glide_kias: float
    bank_deg: float  # of its turn, solved so that it ends on the centreline in this wind
    abeam_height_ft: float
    turn_after_abeam_s: float
    turn_after_abeam_ft: float
    turn_now_along_ft: float
    height_at_45_ft: float
    height_on_base_ft: float
    height_on_final_ft: float
    reach_ft: tuple[float, float]
    margin_ft: float
    path: tuple[tuple[float, float, float], ...]  # along, lateral, height
    words: Sentence
    cautions: tuple[Caution, ...]  # gravest first


class NoGlide(NotWorkedOut):
    """The glide cannot be worked out; the text says why."""

    code = 'no_glide'


@dataclass(frozen=True, slots=True, kw_only=True)
class GlideTask:
    """What a glide is worked out for; the wind is linear in height between the ground and pattern height."""

    aircraft: Aircraft
    runway: RunwayEnd
    weight_lb: float
    density_ratio: float
    height_ft: float
    spacing_ft: float
    side: PatternSide
    shape: PowerOffShape
    spot_ft: float
    aim_point_ft: float
    ground_wind: GroundWind
    pattern_wind: GroundWind
    glide_kias: float | None = None  # as the instructor set it; None: best glide at this weight
    turn_after_abeam_ft: float | None = None  # likewise; None: worked out

    def wind_at(self, height_ft: float) -> GroundWind:
        """Wind at a height."""
        share = min(1.0, max(0.0, height_ft / self.height_ft))
        return GroundWind(
            along_fps=self.ground_wind.along_fps + share * (self.pattern_wind.along_fps - self.ground_wind.along_fps),
            right_fps=self.ground_wind.right_fps + share * (self.pattern_wind.right_fps - self.ground_wind.right_fps),
        )


_CALM = GroundWind(along_fps=0.0, right_fps=0.0)


class _Glide:
    """A glide in small steps: place over the ground, height, heading through the air."""

    def __init__(self, task: GlideTask, ktas: float, slope: float) -> None:
        self.task, self.ktas, self.slope = task, ktas, slope
        self.right = 1.0 if task.side == 'right' else -1.0
        self.along, self.lateral, self.height = task.spot_ft, self.right * task.spacing_ft, task.height_ft
        self.path = [(self.along, self.lateral, self.height)]

    def _sink(self, seconds: float, steeper: float = 1.0) -> None:
        self.height -= self.ktas * FPS_PER_KT * self.slope * steeper * seconds
        self.path.append((self.along, self.lateral, self.height))

    def straight(self, track_deg: float, *, length_ft: float) -> None:
        """Fly a track for a length over the ground, crabbing as the wind changes on the way down."""
        gone = 0.0
        while gone < length_ft and self.height > -2_000:
            wind = self.task.wind_at(self.height - self.ktas * FPS_PER_KT * self.slope * _STEP_S / 2)
            heading = heading_for(track_deg=track_deg, speed_ktas=self.ktas, wind=wind)
            if heading is None:
                raise NoGlide(_BOOK.say('blown_away'))
            ground_kt = groundspeed_on(track_deg=track_deg, heading_deg=heading, speed_ktas=self.ktas, wind=wind)
            if ground_kt < 5:
                raise NoGlide(_BOOK.say('no_way'))
            step_s = min(_STEP_S, (length_ft - gone) / (ground_kt * FPS_PER_KT))
            step = ground_kt * FPS_PER_KT * step_s
            gone += step
            self.along += step * math.cos(math.radians(track_deg))
            self.lateral += step * math.sin(math.radians(track_deg))
            self._sink(step_s)

    def turn(self, from_track_deg: float, to_track_deg: float, bank_deg: float) -> None:
        """Turn between two tracks at constant bank, until the heading holds the new track in the wind down there.

        In the turn the glide is steeper by 1/cos φ.
        """
        start = heading_for(track_deg=from_track_deg, speed_ktas=self.ktas, wind=self.task.wind_at(self.height))
        if start is None:
            raise NoGlide(_BOOK.say('blown_away'))
        steeper = 1 / math.cos(math.radians(bank_deg))
        sink_fps = self.ktas * FPS_PER_KT * self.slope * steeper
        from_height, end_height = self.height, self.height
        for _ in range(_ROUNDS):  # how long it takes depends on the wind in which it ends
            end = heading_for(track_deg=to_track_deg, speed_ktas=self.ktas, wind=self.task.wind_at(end_height))
            if end is None:
                raise NoGlide(_BOOK.say('blown_away'))
            turned = (end - start) % 360
            turn = Turn(
                from_heading_deg=start,
                turned_deg=turned if self.right > 0 else turned - 360,
                bank_deg=bank_deg,
                speed_ktas=self.ktas,
            )
            before, end_height = end_height, from_height - sink_fps * turn.seconds
            if abs(end_height - before) < _SETTLED_FT:
                break
        along, lateral, done = self.along, self.lateral, 0.0
        drift_along = drift_right = 0.0
        takes_s = turn.seconds
        while done < takes_s:
            step_s = min(_STEP_S, takes_s - done)
            layer = self.task.wind_at(self.height - sink_fps * step_s / 2)
            drift_along += layer.along_fps * step_s
            drift_right += layer.right_fps * step_s
            done += step_s
            air_along, air_right = turn.place_after(done, _CALM)
            self.along, self.lateral = along + air_along + drift_along, lateral + air_right + drift_right
            self._sink(step_s, steeper)


def _slope(aircraft: Aircraft, flap: FlapSetting, more_deg: float = 0.0) -> float:
    return math.tan(math.radians(aircraft.idle_path_angle_deg(flap) + more_deg))


@dataclass(frozen=True, slots=True, kw_only=True)
class _Way:
    """How the turn to final is flown so that it ends on the centreline: bank of the arc, length of a squared base."""

    bank_deg: float
    base_ft: float = 0.0


def _to_final(task: GlideTask, ktas: float, slope: float, after_abeam_ft: float, way: _Way) -> tuple[_Glide, float]:
    """Glide from abeam to wings level on final; also the height on base."""
    glide = _Glide(task, ktas, slope)
    right = glide.right
    glide.straight(180.0 * right, length_ft=after_abeam_ft)
    if task.shape == 'arc':
        begun = len(glide.path) - 1
        glide.turn(180.0 * right, 360.0 * right, way.bank_deg)
        turned = glide.path[begun:]
        # halfway round, as far as the height tells
        return glide, turned[len(turned) // 2][2]
    glide.turn(180.0 * right, 270.0 * right, way.bank_deg)
    on_base = glide.height
    glide.straight(-90.0 * right, length_ft=way.base_ft)
    glide.turn(270.0 * right, 360.0 * right, way.bank_deg)
    return glide, on_base


def _lined_up(task: GlideTask, ktas: float, slope: float, after_abeam_ft: float, start: _Way) -> _Way:
    """The way on which the last turn ends on the centreline, whatever the wind carries: by the secant method.

    :raises NoGlide: when it would take more bank, or leave no base
    """
    arc = task.shape == 'arc'

    def way(value: float) -> _Way:
        return _Way(bank_deg=value) if arc else _Way(bank_deg=_BANK_DEG, base_ft=max(0.0, value))

    def off_ft(value: float) -> float:
        glide, _ = _to_final(task, ktas, slope, after_abeam_ft, way(value))
        return glide.lateral * glide.right

    before = start.bank_deg if arc else start.base_ft
    off_before = off_ft(before)
    # a steeper arc ends farther out, a longer base nearer in
    value = before * 1.05 if arc else before + off_before
    for _ in range(_ROUNDS):
        if arc and value > STEEPEST_DEG:
            raise NoGlide(_BOOK.say('too_steep', steepest=degrees(STEEPEST_DEG)))
        if not arc and value < 0:
            raise NoGlide(_BOOK.say('no_base'))
        value = max(_LEAST_BANK_DEG, value) if arc else value
        off = off_ft(value)
        if abs(off) < _LINED_UP_FT:
            return way(value)
        if abs(off - off_before) < 1e-6:
            break
        before, off_before, value = value, off, value - off * (value - before) / (off - off_before)
    raise NoGlide(_BOOK.say('not_lined_up'))


def _still_air_way(task: GlideTask, ktas: float) -> _Way:
    """What lines up in still air: an arc whose diameter is the spacing, or turns of 25° with the rest as base."""
    if task.shape == 'arc':
        return _Way(bank_deg=math.degrees(math.atan((ktas * FPS_PER_KT) ** 2 / (GRAVITY_FPS2 * task.spacing_ft / 2))))
    still = Turn(from_heading_deg=-90.0, turned_deg=90.0, bank_deg=_BANK_DEG, speed_ktas=ktas)
    return _Way(bank_deg=_BANK_DEG, base_ft=max(0.0, task.spacing_ft - 2 * abs(still.displacement(_CALM)[1])))


def _end_ft(glide: _Glide, slope: float) -> float:
    """Where a straight glide from here meets the runway, crabbing through the wind of each height on the way down."""
    layers = 12
    speed_fps = glide.ktas * FPS_PER_KT
    ground_fps = 0.0
    for layer in range(layers):
        wind = glide.task.wind_at(glide.height * (layer + 0.5) / layers)
        made_good_fps = math.sqrt(max(0.0, speed_fps**2 - wind.right_fps**2))
        ground_fps += (made_good_fps + wind.along_fps) / layers
    return glide.along + glide.height / slope * ground_fps / speed_fps


@dataclass(frozen=True, slots=True, kw_only=True)
class _Speeds:
    """Speed and slopes of a glide: clean, and as steep as full flap and a slip make it."""

    kias: float
    ktas: float
    clean_slope: float
    steep_slope: float


def _speeds(task: GlideTask) -> _Speeds:
    aircraft = task.aircraft
    if aircraft.best_glide_kias is None and task.glide_kias is None:
        raise NoGlide(_BOOK.say('no_speed'))
    clean, full = aircraft.flaps[0], aircraft.flaps[-1]
    root = math.sqrt(aircraft.weight_ratio(task.weight_lb))
    kias = task.glide_kias if task.glide_kias is not None else known_or(aircraft.best_glide_kias, 0.0) * root
    return _Speeds(
        kias=kias,
        ktas=true_airspeed_kt(calibrated_kt=clean.airspeed_table.calibrated_kt(kias), density_ratio=task.density_ratio),
        clean_slope=_slope(aircraft, clean),
        steep_slope=_slope(aircraft, full, SLIP_PATH_DEG),
    )


def _solve(task: GlideTask, speeds: _Speeds) -> tuple[float, _Way]:
    """How far after abeam to turn [ft], and how, so that it ends lined up with the aim in the middle of the reach."""
    way, after_ft = _still_air_way(task, speeds.ktas), known_or(task.turn_after_abeam_ft, 0.0)
    for _ in range(_ALTERNATIONS):  # the bank hardly depends on where it is begun: twice settles both
        way = _lined_up(task, speeds.ktas, speeds.clean_slope, after_ft, way)
        if task.turn_after_abeam_ft is None:
            after_ft = _turn_after_ft(task, speeds, way)
    return after_ft, _lined_up(task, speeds.ktas, speeds.clean_slope, after_ft, way)


def _turn_after_ft(task: GlideTask, speeds: _Speeds, way: _Way) -> float:
    """How far after abeam to turn [ft], so that the middle of what can be reached is the aim point."""

    @cache  # the search asks for both ends again
    def miss(after_abeam_ft: float) -> float:
        glide, _ = _to_final(task, speeds.ktas, speeds.clean_slope, after_abeam_ft, way)
        return (_end_ft(glide, speeds.steep_slope) + _end_ft(glide, speeds.clean_slope)) / 2 - task.aim_point_ft

    farthest = _FARTHEST_NM * FT_PER_NM
    if miss(0.0) <= 0:
        return 0.0  # turning at once is already late
    if miss(farthest) >= 0:
        return farthest
    from scipy.optimize import brentq  # here: it takes long to load

    return float(brentq(miss, 0.0, farthest, xtol=5.0))


def _cautions(task: GlideTask, reach_ft: tuple[float, float]) -> tuple[Caution, ...]:
    """What the glide warns of, gravest first."""
    near_ft, far_ft = reach_ft
    said = []
    if near_ft > task.aim_point_ft:
        beyond_ft = near_ft - task.aim_point_ft
        said.append(Caution('stop', _BOOK.say('too_high', beyond=feet(beyond_ft, step=10.0))))
    if far_ft < task.aim_point_ft:
        short = feet(task.aim_point_ft - far_ft, step=10.0)
        said.append(Caution('stop', _BOOK.say('not_reached', short=short)))
    said.append(Caution('mind', _BOOK.say('practise')))
    return tuple(said)


def _require_margin(task: GlideTask, kias: float, bank_deg: float) -> None:
    """Refuse a glide too near the stall of its turn."""
    clean = task.aircraft.flaps[0]
    root = math.sqrt(task.aircraft.weight_ratio(task.weight_lb))
    if stall_margin(clean, kias, root=root, bank_deg=bank_deg) < LEAST_STALL_MARGIN:
        stall_kcas = clean.stall_kcas * root * stall_factor(bank_deg)
        stall_kias = clean.airspeed_table.indicated_kt(stall_kcas)
        raise NoGlide(_BOOK.say('near_stall', speed=knots(kias), stall=knots(stall_kias), bank=degrees(bank_deg)))


def brief_power_off(task: GlideTask) -> PowerOffAnswer:
    """Work out one power-off 180: clean from abeam to final, flap late.

    The turn is begun where the glide ends on the aim point with half flap's worth in hand: midway between what full
    flap with a slip and a clean glide reach from final [own].

    :raises NoGlide: without a glide speed, in more wind than the glide makes way against, or where lining up takes more
        than 30° of bank, or the last turn ends too low
    """
    speeds = _speeds(task)
    if task.height_ft < _LOWEST_FT:
        raise NoGlide(_BOOK.say('low_pattern', least=feet(_LOWEST_FT)))
    after_ft, way = _solve(task, speeds)
    glide, on_base = _to_final(task, speeds.ktas, speeds.clean_slope, after_ft, way)
    if glide.height < _FINAL_AT_FT:
        height, least = told_apart(feet(max(0.0, glide.height), step=10.0), feet(_FINAL_AT_FT, step=10.0))
        raise NoGlide(_BOOK.say('ends_low', height=height, least=least))
    _require_margin(task, speeds.kias, way.bank_deg)
    reach_ft = _end_ft(glide, speeds.steep_slope), _end_ft(glide, speeds.clean_slope)
    downwind_fps = FPS_PER_KT * groundspeed_on(
        track_deg=180.0,
        heading_deg=known_or(heading_for(track_deg=180.0, speed_ktas=speeds.ktas, wind=task.pattern_wind), 180.0),
        speed_ktas=speeds.ktas,
        wind=task.pattern_wind,
    )
    after_s = after_ft / downwind_fps
    words = _BOOK.say('at_once')
    if after_ft >= _AT_ONCE_FT:
        after, bank = feet(after_ft, step=10.0), degrees(way.bank_deg)
        words = _BOOK.say('turn', time=seconds(after_s), after=after, bank=bank)
    sink_fps = speeds.ktas * FPS_PER_KT * speeds.clean_slope
    return PowerOffAnswer(
        shape=task.shape,
        glide_kias=speeds.kias,
        bank_deg=way.bank_deg,
        abeam_height_ft=task.height_ft,
        turn_after_abeam_s=after_s,
        turn_after_abeam_ft=after_ft,
        turn_now_along_ft=task.spot_ft - after_ft,
        height_at_45_ft=task.height_ft - sink_fps * task.spacing_ft / downwind_fps,
        height_on_base_ft=on_base,
        height_on_final_ft=glide.height,
        reach_ft=reach_ft,
        margin_ft=reach_ft[1] - task.aim_point_ft,
        path=tuple(glide.path[::2]),
        words=words,
        cautions=_cautions(task, reach_ft),
    )
