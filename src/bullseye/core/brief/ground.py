"""On the ground: the roll, and the last place from which roll, climb and the runway itself leave room."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal, get_args

from bullseye.core.air.atmosphere import density_altitude_ft
from bullseye.core.basis.constants import (
    CLIMB_AWAY_S,
    FPS_PER_KT,
    LEAST_CLIMB_FPM,
    OBSTACLE_MARGIN_FT,
    TOUCHDOWN_OVER_STALL,
)
from bullseye.core.basis.errors import OutsideTable
from bullseye.core.basis.kinds import CorrectionSet
from bullseye.core.basis.sentence import Caution, Phrasebook, Quantity, Sentence, feet
from bullseye.core.brief.aiming import Reached, TouchdownPart
from bullseye.core.brief.margins import LandingMargin, landing_margin
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import LandingSetup
from bullseye.core.model.distances import GroundRoll, ground_roll_by, landing_distances

GoAroundBy = Literal['roll', 'climb', 'half', 'third', 'box', 'instructor']
_BOOK = Phrasebook('ground')
_SAID_OFF_BOX_FT = 5.0  # [own] by which an expected touchdown lies outside of the box


@dataclass(frozen=True, slots=True, kw_only=True)
class GroundPart:
    """Ground roll and go-around point, from the landing threshold [ft]; None where it cannot be worked out.

    The go-around point is the nearest of the three places beside it; ``go_around_by`` tells which.
    """

    ground_roll: GroundRoll | None
    landing_margin: LandingMargin
    go_around_point_ft: float
    go_around_by: GoAroundBy
    roll_point_ft: float | None
    climb_point_ft: float | None  # None too where nothing stands beyond the end
    go_around_climb_fpm: float | None  # in landing configuration in this air; 0 or less: it does not climb
    part_point_ft: float
    nearest_point_ft: float  # of the three: where to go around by, had the instructor not set another
    box_fits: bool | None  # whether roll and climb fit behind the end of the box; None: one of them is unknown


def ground_roll(request: BriefRequest, setup: LandingSetup) -> tuple[GroundRoll | None, Sentence | None]:
    """The landing distances by each set of corrections; None, and why, when they cannot be worked out."""
    table, aircraft = request.aircraft.landing_table, request.aircraft
    if table is None:
        return None, _BOOK.say('no_table')
    of_table = aircraft.stall_kcas(flap=aircraft.flaps[-1], weight_lb=aircraft.max_weight_lb)
    try:
        by_set = [
            landing_distances(
                table=table,
                runway=request.runway,
                correction_set=correction_set,
                pressure_altitude_ft=setup.pressure_altitude_ft,
                temperature_c=request.weather.temperature_c,
                headwind_kt=setup.assumed_wind.sure_headwind_kt,
                touchdown_ktas=setup.approach.touchdown_ktas,
                surface_state=request.surface_state,
                touchdown_over_table=setup.touchdown_kcas / (TOUCHDOWN_OVER_STALL * of_table),
            )
            for correction_set in get_args(CorrectionSet)
        ]
    except OutsideTable as error:
        return None, _BOOK.say('outside', why=str(error))
    return ground_roll_by(*by_set), None


def go_around_climb_fpm(request: BriefRequest, setup: LandingSetup) -> float | None:
    """How a go-around climbs in this air [fpm]; None where the handbook's figure is not entered."""
    altitude_ft = density_altitude_ft(
        pressure_altitude_ft=setup.pressure_altitude_ft, temperature_c=request.weather.temperature_c
    )
    return request.aircraft.go_around_climb_fpm(density_altitude_ft=altitude_ft)


def last_climb_point_ft(request: BriefRequest, setup: LandingSetup, climb_fpm: float | None) -> float | None:
    """Last place from which a climb in landing configuration clears what stands beyond the end [ft]."""
    obstacle = request.runway.departure_obstacle
    if obstacle is None or climb_fpm is None or climb_fpm <= 0:
        return None
    ground_fps = max(1.0, setup.approach.speed_ktas - setup.assumed_wind.sure_headwind_kt) * FPS_PER_KT
    gradient = climb_fpm / 60 / ground_fps
    rise_ft = obstacle.height_ft + OBSTACLE_MARGIN_FT
    away_ft = ground_fps * CLIMB_AWAY_S + rise_ft / gradient
    return request.runway.landing_distance_available_ft + obstacle.beyond_end_ft - away_ft


def part_point(request: BriefRequest, box_to_ft: float) -> tuple[float, GoAroundBy]:
    """The place by which the technique wants the wheels down, and whose it is; a student alone has a third."""
    available_ft, part = request.runway.landing_distance_available_ft, request.technique.latest_touchdown
    if request.alone or part == 'third':
        third_ft = available_ft / 3
        return (box_to_ft, 'box') if part == 'box' and box_to_ft < third_ft else (third_ft, 'third')
    return (box_to_ft, 'box') if part == 'box' and box_to_ft < available_ft / 2 else (available_ft / 2, 'half')


def _places_ft(
    request: BriefRequest, setup: LandingSetup, roll: GroundRoll | None, climb_fpm: float | None, box_to_ft: float
) -> dict[GoAroundBy, float]:
    """The places from which roll, climb and the technique leave room, those that can be worked out [ft]."""
    part_ft, part = part_point(request, box_to_ft)
    found: dict[GoAroundBy, float] = {part: part_ft}
    set_roll_ft = request.overrule('landing_roll_ft')
    needed_ft = roll.factored_ft if roll is not None and set_roll_ft is None else set_roll_ft
    if needed_ft is not None:
        found['roll'] = request.runway.landing_distance_available_ft - needed_ft
    climb_ft = last_climb_point_ft(request, setup, climb_fpm)
    if climb_ft is not None:
        found['climb'] = climb_ft
    return found


def go_around_point_ft(request: BriefRequest, setup: LandingSetup, *, box_to_ft: float) -> float:
    """Where to go around by [ft from the threshold]: as the instructor set it, else the nearest of the places."""
    set_ft = request.overrule('go_around_point_ft')
    if set_ft is not None:
        return set_ft
    roll, _ = ground_roll(request, setup)
    return min(_places_ft(request, setup, roll, go_around_climb_fpm(request, setup), box_to_ft).values())


def ground_part(
    request: BriefRequest, setup: LandingSetup, touchdown: TouchdownPart | Reached, *, box_to_ft: float
) -> tuple[GroundPart, list[Caution]]:
    """What happens after the touchdown, and what of it is unknown."""
    roll, why_not = ground_roll(request, setup)
    said = [] if why_not is None else [Caution('mind', why_not)]
    available_ft = request.runway.landing_distance_available_ft
    set_roll_ft = request.overrule('landing_roll_ft')
    climb_fpm = go_around_climb_fpm(request, setup)
    places = _places_ft(request, setup, roll, climb_fpm, box_to_ft)
    roll_point_ft, climb_point_ft = places.get('roll'), places.get('climb')
    must_clear = request.runway.departure_obstacle is not None
    if climb_fpm is None:
        said.append(
            Caution('mind', _BOOK.say('climb_unknown')) if must_clear else Caution('know', _BOOK.say('no_climb_known'))
        )
    elif 0 < climb_fpm < LEAST_CLIMB_FPM:
        said.append(Caution('mind', _BOOK.say('weak_climb', climb=Quantity(climb_fpm, 'fpm', 10.0))))
    part_point_ft, _ = part_point(request, box_to_ft)
    nearest_ft, by = min((place_ft, name) for name, place_ft in places.items())
    set_point_ft = request.overrule('go_around_point_ft')
    point_ft, point_by = (nearest_ft, by) if set_point_ft is None else (set_point_ft, 'instructor')
    limits_ft = [place for place in (roll_point_ft, climb_point_ft) if place is not None]
    unknown = roll_point_ft is None or (must_clear and climb_fpm is None)
    over = any(place < box_to_ft for place in limits_ft) or (climb_fpm is not None and climb_fpm <= 0)
    return (
        GroundPart(
            ground_roll=roll,
            # in a wind that nobody has given no margin is promised
            landing_margin=landing_margin(
                roll if request.weather.is_known else None,
                touchdown,
                correction_set=request.technique.correction_set,
                available_ft=available_ft,
                set_roll_ft=set_roll_ft if request.weather.is_known else None,
            ),
            go_around_point_ft=point_ft,
            go_around_by=point_by,
            nearest_point_ft=nearest_ft,
            roll_point_ft=roll_point_ft,
            climb_point_ft=climb_point_ft,
            go_around_climb_fpm=climb_fpm,
            part_point_ft=part_point_ft,
            box_fits=False if over else None if unknown else True,
        ),
        said,
    )


def _tens(value_ft: float) -> Quantity:
    """A length that a pilot reads to the ten, and never as nothing."""
    return feet(max(10.0, value_ft), step=10.0)


def climb_problems(ground: GroundPart) -> list[Sentence]:
    """Why nothing is good in air in which the aircraft does not climb away."""
    climb_fpm = ground.go_around_climb_fpm
    return [_BOOK.say('no_climb')] if climb_fpm is not None and climb_fpm <= 0 else []


def box_problems(request: BriefRequest, ground: GroundPart, box_to_ft: float) -> tuple[list[Sentence], list[Caution]]:
    """Why a box is not good behind which roll or climb do not fit; and what is to be minded of one that is."""
    problems = []
    if ground.roll_point_ft is not None and ground.roll_point_ft < 0:
        problems.append(_BOOK.say('no_roll_left', missing=_tens(-ground.roll_point_ft)))
    elif ground.roll_point_ft is not None and ground.roll_point_ft < box_to_ft:
        problems.append(_BOOK.say('beyond_roll', beyond=_tens(box_to_ft - ground.roll_point_ft)))
    if ground.climb_point_ft is not None and ground.climb_point_ft < 0:
        problems.append(_BOOK.say('no_climb_left'))
    elif ground.climb_point_ft is not None and ground.climb_point_ft < box_to_ft:
        problems.append(_BOOK.say('beyond_climb', beyond=_tens(box_to_ft - ground.climb_point_ft)))
    if problems or box_to_ft <= ground.part_point_ft:
        return problems, []
    part = 'third' if request.alone or request.technique.latest_touchdown == 'third' else 'half'
    beyond = _BOOK.say('beyond_part', beyond=_tens(box_to_ft - ground.part_point_ft), part=part)
    return problems, [Caution('mind', beyond)]


def touchdown_problems(ground: GroundPart, touchdown: TouchdownPart) -> list[Sentence]:
    """Why an aim point is not good from which the wheels touch where roll or climb no longer fit.

    As briefed or as flown lately, whichever lands farther; the mean, or more than 1 landing in 20.
    """
    mean_ft, far_ft = expected_ft(touchdown), touchdown.touchdown_95_ft
    problems = []
    for name, place_ft in (('roll', ground.roll_point_ft), ('climb', ground.climb_point_ft)):
        if place_ft is None or place_ft < 0:  # then no place is left at all, which is said
            continue
        if mean_ft > place_ft:
            problems.append(_BOOK.say(f'touches_behind_{name}', beyond=_tens(mean_ft - place_ft)))
        elif far_ft > place_ft:
            problems.append(_BOOK.say(f'may_touch_behind_{name}', place=feet(place_ft, step=10.0)))
    return problems


def expected_ft(touchdown: TouchdownPart | Reached) -> float:
    """The mean touchdown, as briefed or as flown lately, whichever is farther [ft from the threshold]."""
    return max(touchdown.predicted_touchdown_ft, touchdown.predicted_lately_ft)


def touchdown_cautions(ground: GroundPart, touchdown: TouchdownPart, box_ft: tuple[float, float]) -> list[Caution]:
    """What is to be minded of where the wheels are expected: behind the go-around point, or outside of the box."""
    said = []
    late_ft = expected_ft(touchdown) - ground.go_around_point_ft
    if late_ft > 0:
        said.append(Caution('mind', _BOOK.say('touches_late', beyond=_tens(late_ft))))
    at_ft = touchdown.predicted_touchdown_ft
    if at_ft > box_ft[1] + _SAID_OFF_BOX_FT:
        said.append(Caution('mind', _BOOK.say('past_box', off=_tens(at_ft - box_ft[1]))))
    elif at_ft < box_ft[0] - _SAID_OFF_BOX_FT:
        said.append(Caution('mind', _BOOK.say('before_box', off=_tens(box_ft[0] - at_ft))))
    return said
