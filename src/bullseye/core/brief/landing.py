"""The brief of a landing: wind, speed, aim, touchdown and ground, each worked out in its own room."""

from __future__ import annotations

from dataclasses import dataclass, replace

from bullseye.core.basis.sentence import Phrasebook, Sentence, knots
from bullseye.core.brief.aiming import AimPart, Basis, TouchdownPart, aim_and_touchdown, basis_of
from bullseye.core.brief.conditions import WindPart, rudder_cautions, wind_cautions, wind_part
from bullseye.core.brief.ground import GroundPart, box_problem, ground_part
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import LandingSetup, landing_setup
from bullseye.core.fly.cards import Card, card_of
from bullseye.core.given.disputes import unsafe_combinations
from bullseye.core.model import glidepath
from bullseye.core.model.speeds import SpeedStep

_BOOK = Phrasebook(
    'speed',
    steady_adds_nothing='{extra} above the worked-out speed: a steady wind adds nothing, it is only groundspeed. '
    'The extra becomes float.',
    fast='{extra} above the worked-out speed: the extra becomes float.',
    slow='{short} below the worked-out speed: less margin above the stall.',
    combination='{words}',
    training_aid='Training aid: the aircraft handbook, local rules and the instructor decide. '
    'A go-around is always a good answer.',
)
_OFF_KT = 0.5  # [own] of the speed worked out, worth saying
_WINDY_KT = 3.0  # [own] of headwind, in which knots are added that should not be


@dataclass(frozen=True, slots=True, kw_only=True)
class SpeedPart:
    """Flap and speeds of the approach; indicated where the name says so."""

    flap: str
    approach_speed_kias: float
    approach_speed_steps: tuple[SpeedStep, ...]
    recommended_speed_kias: float
    approach_speed_ktas: float
    approach_groundspeed_kt: float
    descent_rate_fpm: float
    touchdown_speed_kias: float
    path_angle_deg: float


@dataclass(frozen=True, slots=True, kw_only=True)
class BriefAnswer:
    """One landing, briefed in five parts. Places are feet from the landing threshold; None is unknown."""

    wind: WindPart
    speed: SpeedPart
    aim: AimPart
    touchdown: TouchdownPart
    ground: GroundPart
    basis: Basis
    card: Card
    cautions: tuple[Sentence, ...]


def _speed_part(setup: LandingSetup) -> SpeedPart:
    approach = setup.approach
    ground_kt = approach.speed_ktas - approach.headwind_kt
    return SpeedPart(
        flap=setup.flap.name,
        approach_speed_kias=setup.speed_kias,
        approach_speed_steps=setup.speed_steps,
        recommended_speed_kias=setup.recommended_kias,
        approach_speed_ktas=approach.speed_ktas,
        approach_groundspeed_kt=ground_kt,
        descent_rate_fpm=glidepath.descent_rate_fpm(
            groundspeed_kt=max(0.0, ground_kt), path_angle_deg=setup.path_angle_deg
        ),
        touchdown_speed_kias=setup.flap.airspeed_table.indicated_kt(setup.touchdown_kcas),
        path_angle_deg=setup.path_angle_deg,
    )


def _speed_cautions(setup: LandingSetup) -> list[Sentence]:
    """What a speed warns of that is not the one worked out."""
    extra_kt, head_kt = setup.speed_kias - setup.recommended_kias, setup.wind.head_kt
    if extra_kt > _OFF_KT and head_kt is not None and head_kt > _WINDY_KT:
        return [_BOOK.say('steady_adds_nothing', extra=knots(extra_kt))]
    if extra_kt > _OFF_KT:
        return [_BOOK.say('fast', extra=knots(extra_kt))]
    if extra_kt < -_OFF_KT:
        return [_BOOK.say('slow', short=knots(-extra_kt))]
    return []


def make_brief(request: BriefRequest) -> BriefAnswer:
    """Work out one landing.

    Everything that can be computed is; what cannot is None and has its reason among the cautions.
    """
    setup = landing_setup(request)
    basis = basis_of(request, setup.approach)
    wind = wind_part(request, setup)
    aim, touchdown = aim_and_touchdown(request, setup, basis)
    ground, no_roll = ground_part(request, setup)
    beyond = box_problem(ground, aim.box_ft[1])
    if beyond is not None:
        aim = replace(aim, aim_is_good=False, aim_problems=(*aim.aim_problems, beyond))
    cautions = [
        *wind_cautions(request, wind),
        *_speed_cautions(setup),
        *([no_roll] if no_roll else []),
        *aim.aim_problems,
        *(_BOOK.say('combination', words=words) for words in unsafe_combinations(request.technique, request.aircraft)),
        *rudder_cautions(wind),
        _BOOK.say('training_aid'),
    ]
    return BriefAnswer(
        wind=wind,
        speed=_speed_part(setup),
        aim=aim,
        touchdown=touchdown,
        ground=ground,
        basis=basis,
        card=card_of(request.landing, request.technique),
        cautions=tuple(cautions),
    )
