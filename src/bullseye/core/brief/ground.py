"""On the ground: the roll, and the last place from which it still fits."""

from __future__ import annotations

from dataclasses import dataclass

from bullseye.core.basis.errors import OutsideTable
from bullseye.core.basis.sentence import Phrasebook, Sentence, feet
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import LandingSetup
from bullseye.core.model.distances import GroundRoll, landing_ground_roll
from bullseye.core.model.touchdown import go_around_point_ft

_BOOK = Phrasebook(
    'ground',
    no_table='No landing table for this aircraft: the go-around point is unknown. Use the handbook.',
    no_wind='Wind direction unknown: no ground roll is worked out. Use the handbook with a tailwind.',
    outside='No ground roll, so no go-around point: {why}. Do not guess it; use the handbook.',
    box_beyond='The box ends {beyond} beyond the go-around point: the factored ground roll would not fit behind it. '
    'Choose a spot nearer the threshold or another runway.',
)


@dataclass(frozen=True, slots=True, kw_only=True)
class GroundPart:
    """Ground roll and go-around point, from the landing threshold [ft]; None when they cannot be worked out."""

    ground_roll: GroundRoll | None
    go_around_point_ft: float | None


def ground_roll(request: BriefRequest, setup: LandingSetup) -> tuple[GroundRoll | None, Sentence | None]:
    """The landing ground roll; None, and why, when it cannot be worked out."""
    table = request.aircraft.landing_table
    if table is None:
        return None, _BOOK.say('no_table')
    if setup.wind.head_kt is None:
        return None, _BOOK.say('no_wind')
    try:
        roll = landing_ground_roll(
            table=table,
            runway=request.runway,
            pressure_altitude_ft=setup.pressure_altitude_ft,
            temperature_c=request.weather.temperature_c,
            headwind_kt=setup.wind.head_kt,
        )
    except OutsideTable as error:
        return None, _BOOK.say('outside', why=str(error))
    return roll, None


def ground_part(request: BriefRequest, setup: LandingSetup) -> tuple[GroundPart, Sentence | None]:
    """What happens after the touchdown, and why it is unknown where it is."""
    roll, why_not = ground_roll(request, setup)
    if roll is None:
        return GroundPart(ground_roll=None, go_around_point_ft=None), why_not
    last_ft = go_around_point_ft(
        landing_distance_available_ft=request.runway.landing_distance_available_ft,
        factored_ground_roll_ft=roll.factored_ft,
    )
    return GroundPart(ground_roll=roll, go_around_point_ft=last_ft), None


def box_problem(ground: GroundPart, box_to_ft: float) -> Sentence | None:
    """Why a box is not good that ends beyond the go-around point; None where it does not."""
    last_ft = ground.go_around_point_ft
    if last_ft is None or last_ft >= box_to_ft:
        return None
    return _BOOK.say('box_beyond', beyond=feet(box_to_ft - last_ft))
