"""The traffic pattern flown in moving air: legs, turns, gates and the path over the ground."""

from __future__ import annotations

import math
from dataclasses import dataclass
from itertools import pairwise

from bullseye.core.air.turns import STEEPEST_DEG, GroundWind, Turn, bank_to_fit, radius_ft, stall_factor
from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.core.basis.kinds import PatternSide
from bullseye.core.basis.sentence import Caution, Phrasebook, Sentence, feet, gravest_first
from bullseye.core.basis.unknown import known_or
from bullseye.core.fly.legs import (
    Climb,
    Leg,
    Legs,
    NoPattern,
    PatternChoice,
    PatternTask,
    TrackedLeg,
    pattern_wind,
)
from bullseye.core.fly.overground import Flown, Heights, fly
from bullseye.core.fly.patternwords import cautions, cue_words, final_turn_words, wind_words
from bullseye.core.fly.traffic import NumberTwo, number_two
from bullseye.core.given.airfield import RunwayEnd

__all__ = [
    'Climb',
    'NoPattern',
    'PatternAnswer',
    'PatternChoice',
    'PatternTask',
    'brief_pattern',
    'pattern_wind',
]

_LOWEST_FT = 300.0  # [own] of pattern height
_FINAL_GATES_FT = (500.0, 300.0, 200.0)  # [com]
_BOOK = Phrasebook('pattern_task')


@dataclass(frozen=True, slots=True, kw_only=True)
class LegAnswer:
    """One leg between its turns."""

    leg: Leg
    track_deg_mag: float
    heading_deg_mag: float
    crab_deg: float  # positive: nose to the right of the track
    groundspeed_kt: float
    seconds: float
    length_ft: float
    kias: float
    flap: str
    power: str
    stall_margin_kt: float  # indicated, over the stall at this weight and flap, wings level


@dataclass(frozen=True, slots=True, kw_only=True)
class TurnAnswer:
    """One turn onto a leg."""

    onto: Leg
    bank_deg: float
    radius_ft: float  # through the air
    seconds: float
    stall_margin_pct: float  # by how much the stalling speed grows
    stall_margin_kt: float  # what is left of the speed over it, indicated


@dataclass(frozen=True, slots=True, kw_only=True)
class Gate:
    """A height to have at a place; place in the runway frame from the landing threshold."""

    name: str
    altitude_ft: float  # above sea level
    height_ft: float  # above the threshold
    along_ft: float
    lateral_ft: float


@dataclass(frozen=True, slots=True, kw_only=True)
class PathPoint:
    """A point of the ground track in the runway frame."""

    leg: Leg
    along_ft: float
    lateral_ft: float
    height_ft: float


@dataclass(frozen=True, slots=True, kw_only=True)
class FinalTurn:
    """What the wind does to the turn onto final."""

    drift_ft: float  # carried beyond (positive) or short of the centreline, if begun where still air wants it
    begin_earlier_ft: float
    begin_earlier_s: float
    bank_if_begun_late_deg: float | None  # None: no bank up to 75° would do
    stall_margin_pct: float | None
    words: Sentence


@dataclass(frozen=True, slots=True, kw_only=True)
class PatternAnswer:
    """One pattern; headings are magnetic, as they are flown. None where the wind is unknown or too strong."""

    side: PatternSide
    altitude_ft: float
    spacing_ft: float
    spacing_cue_deg: float  # how far the runway lies below the horizon, abeam
    spacing_words: Sentence
    wind_dir_deg_true: float | None
    wind_kt: float
    wind_source: str
    wind_is_known: bool
    legs: tuple[LegAnswer, ...]
    turns: tuple[TurnAnswer, ...]
    gates: tuple[Gate, ...]
    path: tuple[PathPoint, ...]
    final_turn: FinalTurn
    final_length_ft: float
    descent_fpm: float
    seconds: float
    number_two: NumberTwo | None
    wind_words: Sentence
    cautions: tuple[Caution, ...]  # gravest first


def _number_two(legs: Legs, flown: Flown) -> NumberTwo | None:
    choice = legs.task.choice
    if choice.base_extension_s <= 0 and choice.ahead_final_nm is None:
        return None
    return number_two(
        extend_s=flown.extend_s,
        downwind_kt=legs.downwind.groundspeed_kt,
        final_ft=flown.final_ft,
        tpa_ft=legs.task.tpa_ft,
        path_angle_deg=legs.task.path_angle_deg,
        aim_ft=legs.task.aim_point_ft,
        from_abeam_s=flown.flight.seconds - flown.abeam_s,
        ahead_final_nm=choice.ahead_final_nm,
        ahead_kt=known_or(choice.ahead_kt, legs.final.groundspeed_kt),
        final_kt=legs.final.groundspeed_kt,
    )


def _gates(task: PatternTask, flown: Flown, heights: Heights) -> tuple[Gate, ...]:
    """Heights to have on the way round, and on final."""
    elevation_ft = task.runway.elevation_ft

    def gate(name: str, height_ft: float, place: tuple[float, float]) -> Gate:
        along_ft, lateral_ft = place
        return Gate(
            name=name,
            altitude_ft=height_ft + elevation_ft,
            height_ft=height_ft,
            along_ft=along_ft,
            lateral_ft=lateral_ft,
        )

    base, turn = flown.at(flown.base_s), flown.at(flown.final_turn_s)
    found = [
        gate('abeam the spot', heights.at(flown.abeam_s), (task.spot_ft, flown.at(flown.base_turn_s)[1])),
        gate('base turn', heights.at(flown.base_turn_s), flown.at(flown.base_turn_s)),
        gate(
            'mid-base',
            heights.at((flown.base_s + flown.final_turn_s) / 2),
            ((base[0] + turn[0]) / 2, (base[1] + turn[1]) / 2),
        ),
        gate('final turn', heights.at(flown.final_turn_s), turn),
    ]
    slope = math.tan(math.radians(task.path_angle_deg))
    for height_ft in _FINAL_GATES_FT:
        if height_ft < heights.on_final_ft:
            found.append(gate(f'{height_ft:,.0f} ft on final', height_ft, (task.aim_point_ft - height_ft / slope, 0.0)))
    return tuple(found)


def _leg_answer(leg: TrackedLeg, seconds: float, runway: RunwayEnd) -> LegAnswer:
    return LegAnswer(
        leg=leg.leg,
        track_deg_mag=_mag(leg.track_deg, runway),
        heading_deg_mag=_mag(leg.heading_deg, runway),
        crab_deg=leg.heading_deg - leg.track_deg,
        groundspeed_kt=leg.groundspeed_kt,
        seconds=seconds,
        length_ft=seconds * leg.groundspeed_kt * FPS_PER_KT,
        kias=leg.kias,
        flap=leg.setting.flap,
        power=leg.setting.power,
        stall_margin_kt=leg.margin_kt(),
    )


def _turn_answer(onto: Leg, turn: Turn, before: TrackedLeg) -> TurnAnswer:
    return TurnAnswer(
        onto=onto,
        bank_deg=turn.bank_deg,
        radius_ft=radius_ft(speed_ktas=turn.speed_ktas, bank_deg=turn.bank_deg),
        seconds=turn.seconds,
        stall_margin_pct=(stall_factor(turn.bank_deg) - 1) * 100,
        stall_margin_kt=before.margin_kt(turn.bank_deg),
    )


def _cautions(legs: Legs, heights: Heights, final_turn: FinalTurn, two: NumberTwo | None) -> tuple[Caution, ...]:
    said = cautions(legs, heights)
    if two is not None and two.caution is not None:
        said.insert(0, two.caution)
    bank = final_turn.bank_if_begun_late_deg
    if bank is None or bank > STEEPEST_DEG:
        said.append(Caution('mind', final_turn.words))
    return gravest_first(said)


def brief_pattern(task: PatternTask) -> PatternAnswer:
    """Work out one pattern.

    Downwind is flown parallel to the runway at the spacing; base is begun with the spot 45° behind; descent is even
    from abeam the spot to the path on final.

    :raises NoPattern: when the wind is unknown or too strong to hold a track, or the aircraft has no speed ladder
    """
    if task.tpa_ft < _LOWEST_FT:
        raise NoPattern(_BOOK.say('too_low', altitude=feet(task.altitude_ft), least=feet(_LOWEST_FT)))
    direction, speed_kt, source = pattern_wind(task)
    off = math.radians(known_or(direction, 0.0) - task.runway.course_deg_true)
    wind = GroundWind.on(headwind_kt=speed_kt * math.cos(off), crosswind_from_right_kt=speed_kt * math.sin(off))
    legs = Legs(task, wind)
    flown = fly(legs)
    heights = Heights(task, flown)
    final_turn, two = _final_turn(legs), _number_two(legs, flown)
    cue_deg = math.degrees(math.atan2(task.tpa_ft, task.spacing_ft))
    return PatternAnswer(
        side='right' if task.right > 0 else 'left',
        altitude_ft=task.altitude_ft,
        spacing_ft=task.spacing_ft,
        spacing_cue_deg=cue_deg,
        spacing_words=cue_words(cue_deg, task.aircraft.wing_mark_angle_deg, task.tpa_ft),
        wind_dir_deg_true=direction,
        wind_kt=speed_kt,
        wind_source=source,
        wind_is_known=task.wind_is_known,
        legs=tuple(_leg_answer(leg, flown.seconds[leg.leg], task.runway) for leg in legs.all),
        turns=tuple(_turn_answer(after.leg, legs.turns[after.leg], before) for before, after in pairwise(legs.all)),
        gates=_gates(task, flown, heights),
        path=tuple(
            PathPoint(leg=leg, along_ft=along, lateral_ft=lateral, height_ft=heights.at(seconds))
            for leg, along, lateral, seconds in flown.flight.points
        ),
        final_turn=final_turn,
        final_length_ft=flown.final_ft,
        descent_fpm=heights.descent_fpm,
        seconds=flown.flight.seconds,
        number_two=two,
        wind_words=wind_words(legs, flown),
        cautions=_cautions(legs, heights, final_turn, two),
    )


def _mag(relative_deg: float, runway: RunwayEnd) -> float:
    return (runway.course_deg_mag + relative_deg) % 360 or 360.0


def _final_turn(legs: Legs) -> FinalTurn:
    """Compare the turn onto final with the same turn in still air."""
    base, turn, right = legs.base, legs.turns['final'], legs.task.right
    still = Turn(
        from_heading_deg=base.track_deg,
        turned_deg=legs.task.runway.base_angle_deg * right,
        bank_deg=turn.bank_deg,
        speed_ktas=turn.speed_ktas,
    ).displacement(GroundWind(along_fps=0.0, right_fps=0.0))
    towards = -right  # base is flown towards the centreline: from the right of it in a right pattern
    drift_ft = (legs.moved['final'][1] - still[1]) * towards
    bank = bank_to_fit(
        from_heading_deg=turn.from_heading_deg,
        turned_deg=turn.turned_deg,
        speed_ktas=turn.speed_ktas,
        wind=legs.wind,
        across_ft=still[1],
    )
    earlier_ft = drift_ft / math.sin(math.radians(legs.task.runway.base_angle_deg))
    earlier_s = earlier_ft / (base.groundspeed_kt * FPS_PER_KT)
    return FinalTurn(
        drift_ft=drift_ft,
        begin_earlier_ft=earlier_ft,
        begin_earlier_s=earlier_s,
        bank_if_begun_late_deg=bank,
        stall_margin_pct=None if bank is None else (stall_factor(bank) - 1) * 100,
        words=final_turn_words(drift_ft=drift_ft, earlier_s=earlier_s, bank_deg=bank, is_known=legs.task.wind_is_known),
    )
