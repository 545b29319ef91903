"""Schools of thought: what instructors differ on, what each way suits and costs, our default and why.

The arguments are the trade's [com], the words ours; each choice is a field of the Technique.
"""

from __future__ import annotations

from dataclasses import dataclass

from bullseye.core.basis.sentence import Phrasebook, Sentence
from bullseye.core.given.aircraft import Aircraft
from bullseye.core.given.technique import Technique

_BOOK, _UNSAFE = Phrasebook('dispute'), Phrasebook('unsafe')


@dataclass(frozen=True, slots=True, kw_only=True)
class Way:
    """One way of doing it."""

    value: str | bool
    label: Sentence
    suits: Sentence
    costs: Sentence


@dataclass(frozen=True, slots=True, kw_only=True)
class Dispute:
    """One thing that instructors differ on; ``field`` is the Technique's, ``why`` argues for our default."""

    field: str
    title: Sentence
    about: Sentence
    ways: tuple[Way, ...]
    default: str | bool
    why: Sentence


def _way(field: str, value: str | bool) -> Way:
    name = f'{field}_{value}' if isinstance(value, str) else f'{field}_{"yes" if value else "no"}'
    label, suits, costs = (_BOOK.say(f'{name}_{part}') for part in ('label', 'suits', 'costs'))
    return Way(value=value, label=label, suits=suits, costs=costs)


def _dispute(field: str, *values: str | bool) -> Dispute:
    default: str | bool = getattr(Technique(), field)
    title, about, why = (_BOOK.say(f'{field}_{part}') for part in ('title', 'about', 'why'))
    ways = tuple(_way(field, value) for value in values)
    return Dispute(field=field, title=title, about=about, ways=ways, default=default, why=why)


DISPUTES: tuple[Dispute, ...] = (
    _dispute('gust_allowance', 'half', 'none'),
    _dispute('base_speed', 'handbook', 'rule'),
    _dispute('weight_scaling', True, False),
    _dispute('roundout_order', 'halve_shift_idle_flare', 'idle_shift_flare', 'gradual_from_threshold'),
    _dispute('pitch_power', 'pitch_for_speed', 'pitch_for_aim', 'fixed_power'),
    _dispute('speed_reference', 'airspeed', 'angle_of_attack'),
    _dispute('stabilised_by_ft', '500', '300', '200'),
    _dispute('aim_target', 'middle_of_box', 'on_the_line'),
    _dispute('aim_distance', 'calibrated', 'fixed', 'before_300_500'),
    _dispute('aim_speed', 'briefed', 'habit'),
    _dispute('latest_touchdown', 'half', 'third', 'box'),
    _dispute('base_cue', 'spot_45_behind', 'timed'),
    _dispute('first_turn', 'tpa_less_300', '500_agl'),
    _dispute('lift_off', 'fly_off', 'rotate'),
    _dispute('correction_set', 'common', 'uk_caa'),
    _dispute('power_off_shape', 'arc', 'squared'),
    _dispute('crosswind_method', 'wing_low', 'crab_then_straighten', 'crab_then_wing_low'),
    _dispute('crosswind_flap', 'full', 'reduced'),
    _dispute('rollout_flap', 'hands_off', 'flap_up'),
)


def unsafe_combinations(technique: Technique, aircraft: Aircraft) -> tuple[Sentence, ...]:
    """Choices that do not go with each other or with this aircraft, said plainly."""
    said = []
    if technique.rollout_flap == 'flap_up' and aircraft.is_retractable:
        said.append(_UNSAFE.say('levers', aircraft=aircraft.name))
    if technique.gust_allowance == 'none' and technique.base_speed == 'rule':
        said.append(_UNSAFE.say('lull'))
    if technique.aim_target == 'on_the_line' and technique.aim_distance != 'calibrated':
        said.append(_UNSAFE.say('on_the_line'))
    if technique.pitch_power == 'pitch_for_aim' and technique.aim_distance == 'fixed':
        said.append(_UNSAFE.say('fixed_aim'))
    if technique.roundout_order == 'idle_shift_flare' and technique.base_speed == 'rule':
        said.append(_UNSAFE.say('idle_first'))
    if technique.stabilised_by_ft == '200' and technique.pitch_power == 'fixed_power':
        said.append(_UNSAFE.say('late_gate'))
    return tuple(said)
