"""After the touchdown: where it stops, how far after the aim point, what brakes and flap do, which exit is made."""

from __future__ import annotations

from dataclasses import dataclass

from bullseye.core.basis.sentence import Phrasebook, Sentence, feet
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.aiming import TouchdownPart
from bullseye.core.brief.aimproblems import AimPart
from bullseye.core.brief.ground import GroundPart
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import LandingSetup
from bullseye.core.model.rollout import rollout, slowed_to_ft

EXIT_SPEED_KT = 10.0  # [com] to turn off at a walking pace or little more
_TENS = 10.0  # [own]
_BOOK = Phrasebook('rollout')


@dataclass(frozen=True, slots=True, kw_only=True)
class ExitPlan:
    """One turn-off: whether the aircraft is slow enough there with the handbook's braking."""

    name: str
    at_ft: float  # from the landing threshold
    can_be_made: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class RolloutPart:
    """From the touchdown on [ft]; None is unknown. Distances are expected ones, without a safety factor."""

    stop_ft: float | None  # from the landing threshold
    stop_minus_aim_ft: float | None
    over_50_ft_ft: float | None  # the handbook's own, from 50 ft over the threshold to the stop
    flap_up_changes_ft: float | None
    no_brakes_change_ft: float | None
    exits: tuple[ExitPlan, ...]
    rollout_words: tuple[Sentence, ...]


def rollout_part(
    request: BriefRequest, setup: LandingSetup, aim: AimPart, touchdown: TouchdownPart, ground: GroundPart
) -> RolloutPart:
    """What happens between the touchdown and the turn-off."""
    roll, runway, wind = ground.ground_roll, request.runway, setup.wind
    if roll is None or wind is None:
        return RolloutPart(
            stop_ft=None,
            stop_minus_aim_ft=None,
            over_50_ft_ft=None,
            flap_up_changes_ft=None,
            no_brakes_change_ft=None,
            exits=(),
            rollout_words=(_BOOK.say('unknown' if roll is None else 'no_wind'),),
        )
    stop_ft = touchdown.predicted_touchdown_ft + roll.expected_ft
    changes = rollout(
        roll_ft=roll.expected_ft,
        touchdown_ktas=setup.approach.touchdown_ktas,
        headwind_kt=wind.sure_headwind_kt,
        slope=runway.slope_pct / 100,
        is_grass=not runway.has_paint,
    )
    slow_ft = touchdown.predicted_touchdown_ft + slowed_to_ft(
        roll_ft=roll.expected_ft,
        touchdown_ktas=setup.approach.touchdown_ktas,
        headwind_kt=wind.sure_headwind_kt,
        to_kt=EXIT_SPEED_KT,
    )
    exits = tuple(
        ExitPlan(name=one.name, at_ft=one.at_ft, can_be_made=one.at_ft >= slow_ft)
        for one in sorted(runway.exits, key=lambda one: one.at_ft)
    )
    has_flap = len(request.aircraft.flaps) > 1 and setup.flap is not request.aircraft.flaps[0]
    words = [_BOOK.say('stop', stop=feet(stop_ft, step=_TENS), total=feet(stop_ft - aim.aim_point_ft, step=_TENS))]
    # with a gear that folds nobody is told what a lever on the roll would save
    if changes is not None and has_flap and not request.aircraft.is_retractable:
        less_ft = -changes.flap_up_ft
        words.append(
            _BOOK.say('flap_up', less=feet(less_ft, step=_TENS)) if less_ft >= _TENS / 2 else _BOOK.say('flap_no')
        )
    if changes is not None:
        more_ft = changes.no_brakes_ft
        fits = more_ft is not None and stop_ft + more_ft < runway.landing_distance_available_ft
        words.append(
            _BOOK.say('free', more=feet(known_or(more_ft, 0.0), step=_TENS)) if fits else _BOOK.say('free_far')
        )
    return RolloutPart(
        stop_ft=stop_ft,
        stop_minus_aim_ft=stop_ft - aim.aim_point_ft,
        over_50_ft_ft=roll.by('common').over_50_ft_ft,
        flap_up_changes_ft=changes.flap_up_ft if changes is not None and has_flap else None,
        no_brakes_change_ft=None if changes is None else changes.no_brakes_ft,
        exits=exits,
        rollout_words=(*words, *_exit_words(exits)),
    )


def _exit_words(exits: tuple[ExitPlan, ...]) -> list[Sentence]:
    if not exits:
        return []
    made = next((one for one in exits if one.can_be_made), None)
    before = [one for one in exits if not one.can_be_made]
    words = [_BOOK.say('not_before', name=before[-1].name, at=feet(before[-1].at_ft, step=_TENS))] if before else []
    if made is None:
        return [*words, _BOOK.say('no_exit')]
    return [*words, _BOOK.say('exit', name=made.name, at=feet(made.at_ft, step=_TENS))]
