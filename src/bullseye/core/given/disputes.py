"""Schools of thought: what instructors differ on, what each way suits and costs, our default and why.

The arguments are the trade's [com], the words ours; each choice is a field of the Technique.
"""

from __future__ import annotations

from dataclasses import dataclass

from bullseye.core.given.aircraft import Aircraft
from bullseye.core.given.technique import Technique


@dataclass(frozen=True, slots=True, kw_only=True)
class Way:
    """One way of doing it."""

    value: str | bool
    label: str
    suits: str
    costs: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Dispute:
    """One thing that instructors differ on; ``field`` is the Technique's, ``why`` argues for our default."""

    field: str
    title: str
    about: str
    ways: tuple[Way, ...]
    default: str | bool
    why: str


def _dispute(field: str, title: str, about: str, why: str, *ways: tuple[str | bool, str, str, str]) -> Dispute:
    default: str | bool = getattr(Technique(), field)
    found = tuple(Way(value=value, label=label, suits=suits, costs=costs) for value, label, suits, costs in ways)
    return Dispute(field=field, title=title, about=about, ways=found, default=default, why=why)


DISPUTES: tuple[Dispute, ...] = (
    _dispute(
        'gust_allowance',
        'Gust allowance',
        'How much speed a gusty wind adds on final.',
        'Half the spread is what the published handbook prints, and it covers the lull without feeding the float.',
        ('half', 'Half the gust spread', 'Gusty days, light aircraft.', 'A few knots more to lose in the hold-off.'),
        ('none', 'None', 'Long wings and plenty of power at hand.', 'Less margin in the lull.'),
    ),
    _dispute(
        'base_speed',
        'Where the approach speed starts',
        'The printed speed, or 1.3 times the stalling speed.',
        'The handbook speed was flown by those who made the aircraft; the rule fills in where it is silent.',
        ('handbook', 'Handbook speed', 'Every aircraft that prints one.', 'Printed speeds are often generous.'),
        ('rule', '1.3 × stalling speed', 'Spot landings, short runways.', 'Relies on a good airspeed calibration.'),
    ),
    _dispute(
        'weight_scaling',
        'Speed and weight',
        'Whether printed speeds shrink when the aircraft is light.',
        'A light aircraft at the full-weight speed floats; the square root of the weight takes just that out.',
        (True, 'Scale with the weight', 'Two people in a four-seater.', 'One more sum before the flight.'),
        (False, 'Printed speed always', 'First solos: one number to remember.', 'Longer float when light.'),
    ),
    _dispute(
        'roundout_order',
        'Order of hands at the roundout',
        'When the power comes off against eyes and flare.',
        'Draggy trainers sink when the power goes first; halving it keeps the descent shallow until it is level.',
        ('halve_shift_idle_flare', 'Halve, shift eyes, idle, flare', 'Draggy trainers.', 'Two movements of power.'),
        ('idle_shift_flare', 'Idle, shift eyes, flare', 'Good gliders.', 'Sinks early where there is drag.'),
        ('gradual_from_threshold', 'Gradual from the threshold', 'Steady hands.', 'Touchdown moves with the hand.'),
    ),
    _dispute(
        'pitch_power',
        'Pitch and power',
        'Which hand holds the speed and which the path.',
        'Pitch for speed is safe on both sides of the power curve: it never trades the last knots for height.',
        ('pitch_for_speed', 'Pitch for speed, power for path', 'Light singles, slow ends.', 'Coarser on the path.'),
        (
            'pitch_for_aim',
            'Pitch for the aim point, power for speed',
            'Faster types.',
            'Low and slow it invites a pull.',
        ),
        ('fixed_power', 'Fixed power from abeam', 'First patterns: one thing fewer.', 'Late corrections on final.'),
    ),
    _dispute(
        'speed_reference',
        'Speed or angle of attack',
        'What is held on final.',
        'Every aircraft has an airspeed indicator; angle of attack needs a gauge that is fitted and calibrated.',
        ('airspeed', 'Airspeed', 'Every aircraft.', 'Changes with weight and load.'),
        ('angle_of_attack', 'Angle of attack', 'Where a gauge is fitted.', 'Another thing to look at; says no number.'),
    ),
    _dispute(
        'stabilised_by_ft',
        'Stabilised by',
        'Height above the runway at which all has to be settled, else go around.',
        'At 300 ft there is time to see it and room to leave it; a light aircraft turns final not much higher.',
        ('500', '500 ft', 'Straight-in approaches, complex types.', 'A tight pattern is still turning.'),
        ('300', '300 ft', 'The usual pattern.', 'Little time for late changes.'),
        ('200', '200 ft', 'Short finals, experienced pilots.', 'A late decision.'),
    ),
    _dispute(
        'aim_target',
        'Where to aim within the box',
        'At its near line or at its middle.',
        'Short of the line fails however small the miss, and scatter goes both ways: the middle wins most often.',
        ('middle_of_box', 'Middle of the box', 'Everybody with scatter.', 'Touches a little farther in on a good day.'),
        ('on_the_line', 'On the line', 'Very steady pilots, short runways.', 'Half of the landings fall short.'),
    ),
    _dispute(
        'aim_distance',
        'How far before the spot',
        'Calculated from laps, or by a rule of thumb.',
        'The float of this aircraft at this speed and wind is known after a few laps; no rule of thumb knows it.',
        ('calibrated', 'Calculated from laps', 'Whenever laps are recorded.', 'A new number every day.'),
        ('fixed', 'Always 200 ft before', 'A quick rule for one aircraft.', 'Wrong in wind and at other weights.'),
        ('before_300_500', '300 to 500 ft before, by the wind', 'First learners.', 'Coarse; knows no aircraft.'),
    ),
    _dispute(
        'aim_speed',
        'Aim for which speed',
        'The aim point is for the briefed speed, or for the speed this pilot has been flying.',
        'An aim that follows a fast habit makes it look right; the speed is coached first.',
        ('briefed', 'The briefed speed', 'Every student who can still mend it.', 'Long until the speed is mended.'),
        ('habit', 'The speed usually flown', 'Visitors and checks on the day.', 'Short on the day it is flown right.'),
    ),
    _dispute(
        'latest_touchdown',
        'Down by which part of the runway',
        'The go-around point is no farther in than half of the runway, or a third.',
        'Half leaves room to stop for most; a third is what many schools ask of a student alone.',
        ('half', 'The first half', 'With an instructor aboard.', 'On a short runway the roll decides before it.'),
        ('third', 'The first third', 'Students alone, long runways.', 'More go-arounds than are needed.'),
    ),
    _dispute(
        'base_cue',
        'When to turn base',
        'By the place of the spot behind the wing, or by time.',
        'An eye on the spot sees spacing and wind; a stopwatch sees neither.',
        ('spot_45_behind', 'Spot 45° behind', 'Every pattern that sees the runway.', 'Moves with the spacing.'),
        ('timed', '30 seconds after abeam', 'Featureless or night patterns.', 'A tailwind carries it far out.'),
    ),
    _dispute(
        'first_turn',
        'First turn after takeoff',
        'How high before turning crosswind.',
        'Turning 300 ft below pattern height beyond the runway end is published and keeps traffic predictable.',
        ('tpa_less_300', '300 ft below pattern height', 'Fields with traffic.', 'A longer upwind leg.'),
        ('500_agl', '500 ft above the ground', 'Quiet fields, noise ahead.', 'Meets wider patterns.'),
    ),
    _dispute(
        'lift_off',
        'Rotate, or fly off',
        'Pull at a printed speed, or let it leave when it will.',
        'Printed for one weight, a rotation speed is late when light; letting it fly off follows weight and air.',
        ('fly_off', 'Let it fly off', 'Light singles.', 'Early lift-off in gusts needs holding down.'),
        ('rotate', 'Rotate at the printed speed', 'Complex types, short-field charts.', 'More runway when light.'),
    ),
    _dispute(
        'correction_set',
        'Corrections to the distances',
        'How the table is corrected for wind, grass and slope.',
        'The common set is what most handbooks print; the factored one adds a margin for everyday flying.',
        ('common', 'Common handbook notes', 'Where the school adds its own margin.', 'No safety factor for takeoff.'),
        ('uk_caa', 'Factored, UK leaflet', 'Short or grass runways.', 'Refuses runways others use.'),
    ),
    _dispute(
        'power_off_shape',
        'Shape of the power-off 180',
        'One continuous arc, or a squared base.',
        'An arc can be opened or tightened all the way round; a squared base has one decision.',
        ('arc', 'One continuous arc', 'Judging by eye.', 'Needs a constant look at the spot.'),
        ('squared', 'Squared, with a base leg', 'Learning: key heights are clear.', 'Two turns; longer.'),
    ),
    _dispute(
        'crosswind_method',
        'Crosswind method',
        'When crab becomes wing-low.',
        'Crab is comfortable down final, wing-low from short final leaves time to feel whether the rudder is enough.',
        ('wing_low', 'Wing-low from final, every landing', 'Learning: always the same.', 'Tiring, and draggy.'),
        ('crab_then_straighten', 'Crab, straighten in the flare', 'Gusts, long wings.', 'All depends on one moment.'),
        ('crab_then_wing_low', 'Crab, wing-low on short final', 'Most light singles.', 'One change near the ground.'),
    ),
    _dispute(
        'crosswind_flap',
        'Flap in a crosswind',
        'Full, or one stage less.',
        'Full flap is the slowest touchdown, and what the demonstrated figure is usually flown with.',
        ('full', 'Full', 'Within the limits.', 'More wing to be lifted by a gust.'),
        ('reduced', 'One stage less', 'Gusts, or where the handbook advises it.', 'Faster and longer.'),
    ),
    _dispute(
        'rollout_flap',
        'Flap on the rollout',
        'Lever up after a short landing, or hands off until clear.',
        'The gain is tens of feet; the wrong lever costs the gear.',
        ('hands_off', 'Hands off until clear', 'Everybody, every time.', 'A few tens of feet of roll.'),
        ('flap_up', 'Flap up', 'Fixed gear, where the handbook calls for it.', 'A wrong lever folds a wheel.'),
    ),
)


def unsafe_combinations(technique: Technique, aircraft: Aircraft) -> tuple[str, ...]:
    """Choices that do not go with each other or with this aircraft, said plainly."""
    said = []
    if technique.rollout_flap == 'flap_up' and aircraft.is_retractable:
        said.append(
            f'{aircraft.name} has a retractable gear: moving levers on the rollout has folded many. '
            'Leave the flap until clear of the runway.'
        )
    if technique.gust_allowance == 'none' and technique.base_speed == 'rule':
        said.append('1.3 of the stall and no gust allowance: nothing is left for the lull.')
    if technique.aim_target == 'on_the_line' and technique.aim_distance != 'calibrated':
        said.append('Aiming for the line by a rule of thumb: half of the landings fall short, and short is a fail.')
    if technique.pitch_power == 'pitch_for_aim' and technique.aim_distance == 'fixed':
        said.append('Pitching for a fixed aim point hides a low speed: keep the airspeed in the scan.')
    if technique.roundout_order == 'idle_shift_flare' and technique.base_speed == 'rule':
        said.append('Idle before the roundout at 1.3 of the stall: a draggy aircraft sinks in before it is level.')
    if technique.stabilised_by_ft == '200' and technique.pitch_power == 'fixed_power':
        said.append('Fixed power and a gate at 200 ft: a late correction has nowhere to go. Choose a higher gate.')
    return tuple(said)
