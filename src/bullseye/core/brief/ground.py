"""On the ground: the roll, and the last place from which roll, climb and the runway itself leave room."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bullseye.core.basis.constants import CLIMB_AWAY_S, FPS_PER_KT, OBSTACLE_MARGIN_FT, TOUCHDOWN_OVER_STALL
from bullseye.core.basis.errors import OutsideTable
from bullseye.core.basis.sentence import Caution, Phrasebook, Quantity, Sentence, feet
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import LandingSetup
from bullseye.core.model.distances import GroundRoll, landing_ground_roll

GoAroundBy = Literal['roll', 'climb', 'half', 'third', 'instructor']
_BOOK = Phrasebook(
    'ground',
    no_table='No landing table for this aircraft: how much runway the roll needs is unknown. Use the handbook.',
    outside='No ground roll can be worked out: {why}. Do not guess it; use the handbook.',
    beyond_roll='The box ends {beyond} beyond the last place from which the factored ground roll fits. '
    'Choose a spot nearer the threshold or another runway.',
    beyond_climb='The box ends {beyond} beyond the last place from which a go-around clears what stands beyond the '
    'end. Choose a spot nearer the threshold or another runway.',
    no_roll_left='Even a touchdown at the threshold leaves {missing} too little runway for the factored ground roll. '
    'Choose another runway.',
    no_climb_left='Even a go-around from the threshold does not clear what stands beyond the end. '
    'Choose another runway.',
    beyond_part='The box ends {beyond} beyond the first {part} of the runway: go around if not down by then.',
    climb_unknown='Something stands beyond the end, and how this aircraft climbs in landing configuration is not '
    'entered: where a go-around still clears it is unknown.',
)


@dataclass(frozen=True, slots=True, kw_only=True)
class GroundPart:
    """Ground roll and go-around point, from the landing threshold [ft]; None where it cannot be worked out.

    The go-around point is the nearest of the three places beside it; ``go_around_by`` tells which.
    """

    ground_roll: GroundRoll | None
    go_around_point_ft: float
    go_around_by: GoAroundBy
    roll_point_ft: float | None
    climb_point_ft: float | None  # None too where nothing stands beyond the end
    part_point_ft: float
    nearest_point_ft: float  # of the three: where to go around by, had the instructor not set another
    box_fits: bool | None  # whether roll and climb fit behind the end of the box; None: one of them is unknown


def ground_roll(request: BriefRequest, setup: LandingSetup) -> tuple[GroundRoll | None, Sentence | None]:
    """The landing ground roll; None, and why, when it cannot be worked out."""
    table, aircraft = request.aircraft.landing_table, request.aircraft
    if table is None:
        return None, _BOOK.say('no_table')
    of_table = aircraft.stall_kcas(flap=aircraft.flaps[-1], weight_lb=aircraft.max_weight_lb)
    try:
        roll = landing_ground_roll(
            table=table,
            runway=request.runway,
            pressure_altitude_ft=setup.pressure_altitude_ft,
            temperature_c=request.weather.temperature_c,
            headwind_kt=setup.wind.sure_headwind_kt,
            touchdown_ktas=setup.approach.touchdown_ktas,
            surface_state=request.surface_state,
            touchdown_over_table=setup.touchdown_kcas / (TOUCHDOWN_OVER_STALL * of_table),
        )
    except OutsideTable as error:
        return None, _BOOK.say('outside', why=str(error))
    return roll, None


def _climb_point_ft(request: BriefRequest, setup: LandingSetup) -> float | None:
    """Last place from which a climb in landing configuration clears what stands beyond the end [ft]."""
    obstacle, fpm = request.runway.departure_obstacle, request.aircraft.landing_climb_fpm
    if obstacle is None or fpm is None:
        return None
    ground_fps = max(1.0, setup.approach.speed_ktas - setup.wind.sure_headwind_kt) * FPS_PER_KT
    gradient = fpm / 60 / ground_fps
    rise_ft = obstacle.height_ft + OBSTACLE_MARGIN_FT
    away_ft = ground_fps * CLIMB_AWAY_S + rise_ft / gradient
    return request.runway.landing_distance_available_ft + obstacle.beyond_end_ft - away_ft


def ground_part(request: BriefRequest, setup: LandingSetup, *, box_to_ft: float) -> tuple[GroundPart, list[Caution]]:
    """What happens after the touchdown, and what of it is unknown."""
    roll, why_not = ground_roll(request, setup)
    said = [] if why_not is None else [Caution('mind', why_not)]
    available_ft = request.runway.landing_distance_available_ft
    set_roll_ft = request.overrule('landing_roll_ft')
    needed_ft = roll.factored_ft if roll is not None and set_roll_ft is None else set_roll_ft
    roll_point_ft = None if needed_ft is None else available_ft - needed_ft
    climb_point_ft = _climb_point_ft(request, setup)
    if request.runway.departure_obstacle is not None and climb_point_ft is None:
        said.append(Caution('mind', _BOOK.say('climb_unknown')))
    part = request.technique.latest_touchdown
    part_point_ft = available_ft / (2 if part == 'half' else 3)
    places: list[tuple[float, GoAroundBy]] = [(part_point_ft, part)]
    places += [(roll_point_ft, 'roll')] if roll_point_ft is not None else []
    places += [(climb_point_ft, 'climb')] if climb_point_ft is not None else []
    nearest_ft, by = min(places)
    set_point_ft = request.overrule('go_around_point_ft')
    point_ft, point_by = (nearest_ft, by) if set_point_ft is None else (set_point_ft, 'instructor')
    limits_ft = [place for place in (roll_point_ft, climb_point_ft) if place is not None]
    unknown = roll_point_ft is None or (request.runway.departure_obstacle is not None and climb_point_ft is None)
    over = any(place < box_to_ft for place in limits_ft)
    return (
        GroundPart(
            ground_roll=roll,
            go_around_point_ft=point_ft,
            go_around_by=point_by,
            nearest_point_ft=nearest_ft,
            roll_point_ft=roll_point_ft,
            climb_point_ft=climb_point_ft,
            part_point_ft=part_point_ft,
            box_fits=False if over else None if unknown else True,
        ),
        said,
    )


def _tens(value_ft: float) -> Quantity:
    """A length that a pilot reads to the ten, and never as nothing."""
    return feet(max(10.0, value_ft), step=10.0)


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
    part = request.technique.latest_touchdown
    beyond = _BOOK.say('beyond_part', beyond=_tens(box_to_ft - ground.part_point_ft), part=part)
    return problems, [Caution('mind', beyond)]
