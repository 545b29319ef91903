"""A card for each kind of landing and exercise: what is different, steps in order, eyes, mistakes, go-around rule.

The wording is ours, the practice common [com]; FAA-H-8083-3 describes the same manoeuvres. What a technique or the
aircraft decides is put in where it belongs, so that a card never contradicts the school that is flown, and never names
a lever or a wheel that this aircraft does not have.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from bullseye.core.basis.kinds import ExerciseKind
from bullseye.core.basis.sentence import Phrasebook, Sentence, as_given, feet, joined
from bullseye.core.given.aircraft import Aircraft, FlapSetting, Particulars
from bullseye.core.given.technique import Technique

_BOOK = Phrasebook('card')


@dataclass(frozen=True, slots=True, kw_only=True)
class Card:
    """What to do, to look at and to avoid."""

    kind: ExerciseKind
    title: Sentence
    different: Sentence
    steps: tuple[Sentence, ...]
    look: Sentence
    mistakes: tuple[Sentence, Sentence, Sentence]
    go_around: Sentence


# the steps of each, in order; those that a technique or the aircraft decides are made below, and may be none
_LANDINGS: Mapping[ExerciseKind, tuple[str, ...]] = {
    'normal': ('before_final', 'final', 'order', 'hold_off', 'wheels_down'),
    'crosswind': ('before_final', 'final', 'crosswind', 'order', 'crosswind_upwind', 'crosswind_stop'),
    'short_field': ('before_final', 'final', 'short_field_over', 'short_field_idle', 'short_field_stop'),
    'soft_field': ('before_final', 'final', 'soft_field_round_out', 'soft_field_hold_off', 'soft_field_roll'),
    'power_off': ('power_off_abeam', 'shape', 'power_off_lose', 'power_off_slip_out'),
    'no_flap': ('final', 'no_flap_farther', 'no_flap_round_out', 'no_flap_float'),
    'forward_slip': ('forward_slip_high', 'forward_slip_track', 'forward_slip_out', 'order'),
    'three_point': ('before_final', 'final', 'order', 'three_point_hold_off', 'three_point_stick'),
    'wheel_landing': ('before_final', 'final', 'wheel_landing_sink', 'wheel_landing_pin', 'wheel_landing_tail'),
}
_EXERCISES: Mapping[ExerciseKind, tuple[str, ...]] = {
    'go_around': ('go_around_power', 'go_around_level', 'go_around_clean_up', 'go_around_side'),
    'low_approach': ('low_approach_power', 'low_approach_fly', 'low_approach_away'),
    'hold_off_drill': (
        'hold_off_drill_begin',
        'hold_off_drill_idle',
        'hold_off_drill_hold',
        'hold_off_drill_recover',
    ),
}
_LOOK_FAR: tuple[ExerciseKind, ...] = ('normal', 'soft_field', 'no_flap', 'wheel_landing', 'low_approach')
_NOT_DOWN: tuple[ExerciseKind, ...] = ('normal', 'no_flap')  # for which the usual reasons to go around hold


def _rollout(technique: Technique, aircraft: Aircraft | None) -> tuple[Sentence, ...]:
    """What is done with the flap on the roll; with a gear that folds no lever is touched, whatever the technique."""
    if aircraft is not None and not aircraft.has_flap:
        return ()
    folds = aircraft is not None and aircraft.is_retractable
    return (_BOOK.say(f'rollout_{"hands_off" if folds else technique.rollout_flap}'),)


def _final(technique: Technique, flap: FlapSetting | None) -> Sentence:
    final = _BOOK.say(
        'final',
        hold=technique.speed_reference,
        energy=_BOOK.say(f'energy_{technique.pitch_power}'),
        gate=feet(float(technique.stabilised_by_ft)),
    )
    mark = None if flap is None else flap.windscreen_mark
    return joined(final, _BOOK.say('stands', mark=mark)) if mark else final


def _before_final(aircraft: Aircraft | None) -> tuple[Sentence, ...]:
    """What is set and looked for before the last part of the approach; none where the aircraft asks for nothing."""
    if aircraft is None:
        return ()
    about, said = aircraft.particulars, []
    if aircraft.is_retractable:
        limit = 'none' if about.gear_limit_kias is None else as_given(about.gear_limit_kias, 'kt')
        said.append(_BOOK.say('before_gear', limit=limit))
    if about.propeller == 'variable':
        said.append(_BOOK.say('before_propeller'))
    if about.slats_out_kias is not None:
        said.append(_BOOK.say('before_slats', speed=as_given(about.slats_out_kias, 'kt')))
    if about.angle_of_attack_target is not None:
        said.append(_BOOK.say('before_angle', target=about.angle_of_attack_target))
    return (joined(*said),) if said else ()


def _of_aircraft(aircraft: Aircraft | None) -> dict[str, str]:
    """What the aircraft decides of the words; without one a trainer with flap and a nosewheel."""
    about = Particulars() if aircraft is None else aircraft.particulars
    heat = {True: 'yes', False: 'no', None: 'unknown'}
    return {
        'flap': 'yes' if aircraft is None or aircraft.has_flap else 'no',
        'wheel': 'tail' if about.has_tailwheel else 'nose',
        'heat': heat[about.has_carburettor_heat],
    }


def card_of(
    kind: ExerciseKind, technique: Technique, aircraft: Aircraft | None = None, *, flap: FlapSetting | None = None
) -> Card:
    """The card of a kind as this technique flies it in this aircraft.

    :param flap: it is flown with, for where the aim point stands in the windscreen
    """
    about = _of_aircraft(aircraft)

    def say(name: str) -> Sentence:
        return _BOOK.say(name, **{one: about[one] for one in _BOOK.takes(name)})

    decided = {
        'before_final': _before_final(aircraft),
        'final': (_final(technique, flap),),
        'order': (say(f'order_{technique.roundout_order}'),),
        'crosswind': (say(f'crosswind_{technique.crosswind_method}'),),
        'shape': (say(f'shape_{technique.power_off_shape}'),),
        'short_field_stop': (joined(say('short_field_stop'), *_rollout(technique, aircraft)),),
    }
    steps = (decided[step] if step in decided else (say(step),) for step in {**_LANDINGS, **_EXERCISES}[kind])
    first, second, third = (say(f'{kind}_mistake_{number}') for number in (1, 2, 3))
    return Card(
        kind=kind,
        title=say(f'{kind}_title'),
        different=say(f'{kind}_different'),
        steps=tuple(sentence for step in steps for sentence in step),
        look=say('far_end' if kind in _LOOK_FAR else f'{kind}_look'),
        mistakes=(first, second, third),
        go_around=say('not_down' if kind in _NOT_DOWN else f'{kind}_around'),
    )


def all_cards(technique: Technique, aircraft: Aircraft | None = None) -> tuple[Card, ...]:
    """Every card as this technique flies it, in the order they are usually taught; those that the aircraft lands."""
    kinds = [kind for kind in _LANDINGS if aircraft is None or aircraft.lands(kind)]  # type: ignore[arg-type]
    return tuple(card_of(kind, technique, aircraft) for kind in (*kinds, *_EXERCISES))
