"""A card for each kind of landing and exercise: what is different, steps in order, eyes, mistakes, go-around rule.

The wording is ours, the practice common [com]; FAA-H-8083-3 describes the same manoeuvres. What a technique or the
aircraft decides is put in where it belongs, so that a card never contradicts the school that is flown, and never names
a lever or a wheel that this aircraft does not have.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

from bullseye.core.basis.kinds import ExerciseKind
from bullseye.core.basis.sentence import as_given
from bullseye.core.given.aircraft import Aircraft, FlapSetting, Particulars
from bullseye.core.given.technique import Technique


@dataclass(frozen=True, slots=True, kw_only=True)
class Card:
    """What to do, to look at and to avoid."""

    kind: ExerciseKind
    title: str
    different: str
    steps: tuple[str, ...]
    look: str
    mistakes: tuple[str, str, str]
    go_around: str


_ORDER = {
    'halve_shift_idle_flare': 'Halve the power, eyes to the far end, idle as the descent is rounded out, then flare.',
    'idle_shift_flare': 'Idle first, eyes to the far end, then round out and flare.',
    'gradual_from_threshold': 'Draw the power off slowly from the threshold, idle by the end of the roundout.',
}
_ENERGY = {
    'pitch_for_speed': 'Pitch holds the speed, power holds the path.',
    'pitch_for_aim': 'Pitch holds the aim point, power holds the speed.',
    'fixed_power': 'Leave the power of abeam alone, pitch for the speed; power only late on final.',
}
_CROSSWIND = {
    'wing_low': 'Wing down into the wind and opposite rudder from short final; hold both to the ground.',
    'crab_then_straighten': 'Crab down final; in the flare straighten with rudder, upwind wing down as it straightens.',
    'crab_then_wing_low': 'Crab down to short final, then wing down and opposite rudder; hold both to the ground.',
}
_ROLLOUT = {
    'hands_off': 'Hands off the levers until clear of the runway.',
    'flap_up': 'Flap up once all wheels are down, if the handbook calls for it; say the lever aloud before moving it.',
}


def _rollout(technique: Technique, aircraft: Aircraft | None) -> str:
    """What is done with the flap on the roll; with a gear that folds no lever is touched, whatever the technique."""
    if aircraft is not None and not aircraft.has_flap:
        return ''
    folds = aircraft is not None and aircraft.is_retractable
    return _ROLLOUT['hands_off' if folds else technique.rollout_flap]


def _final(technique: Technique) -> str:
    hold = 'speed' if technique.speed_reference == 'airspeed' else 'angle of attack, the airspeed beside it as a check'
    return (
        f'On final hold the aim point still in the windscreen and the {hold}. {_ENERGY[technique.pitch_power]} '
        f'On path, speed and centreline and configured by {technique.stabilised_by_ft} ft, else go around.'
    )


_FAR_END = 'The far end of the runway, as it widens: it tells height and drift.'
_NOT_DOWN = 'Not stable at the gate, a big balloon, a bounce, drift that stays, or not down by the gate: go around.'


_HOLD_OFF = 'Hold it off: keep it from landing with more and more back pressure until it lands itself.'
_SHAPE = {'squared': 'squared, with a base leg.', 'arc': 'one continuous arc.'}
# what a technique or the aircraft decides stands in braces; a step that comes out empty is left out
_LANDINGS = (
    Card(
        kind='normal',
        title='Normal landing',
        different='{full_flap}path and speed held, power off when the spot is made.',
        steps=('{before_final}', '{final}', '{order}', '{hold_off}', '{wheels_down}'),
        look=_FAR_END,
        mistakes=(
            'Aiming at the spot itself: the float carries you past it.',
            'A few knots more to be safe: they all become float.',
            'Looking at the ground just ahead: rounded out late, or too much.',
        ),
        go_around=_NOT_DOWN,
    ),
    Card(
        kind='crosswind',
        title='Crosswind landing',
        different='Upwind wheel, then the other, then {last_wheel}. The controls stay in.',
        steps=(
            '{before_final}',
            '{final}',
            '{crosswind}',
            '{order}',
            'Upwind wheel first, axis along the runway; more aileron into the wind as the speed goes.',
            'Aileron full into the wind to a stop; taxi with it.',
        ),
        look='The centreline far ahead: sideways movement is wing, pointing is rudder.',
        mistakes=(
            'Letting the controls go when the first wheel is down.',
            'Straightening too early: it drifts before it lands.',
            '{bracing}',
        ),
        go_around='Full rudder does not hold it, or it drifts at the flare: go around. Twice: another runway.',
    ),
    Card(
        kind='short_field',
        title='Short-field landing',
        different='Slowest book speed, {with_full_flap}aim short of the spot, one steady angle.',
        steps=(
            '{before_final}',
            '{final}',
            'Over an obstacle: one steady angle over it to the aim point; power drawn off slowly, never chopped.',
            'Idle in the roundout, touch with little float.',
            'Stick back, brake firmly without locking. {rollout}',
        ),
        look='The aim point, until the roundout; then the far end.',
        mistakes=(
            'Dragging it in low behind the power curve.',
            'Diving at the runway once over the obstacle: the speed becomes float.',
            'Braking before the weight is on the wheels.',
        ),
        go_around='Box blown or not down by the go-around point: go around; two or three tries is good flying.',
    ),
    Card(
        kind='soft_field',
        title='Soft-field landing',
        different='A little power through touchdown, {soft_wheel}, keep rolling.',
        steps=(
            '{before_final}',
            '{final}',
            'Round out as usual and leave 100 to 200 rpm on.',
            'Hold it off just above the ground until it touches as slowly as it can.',
            '{soft_roll}',
        ),
        look=_FAR_END,
        mistakes=(
            'Power off at the touch: {soft_fault}.',
            'Too much power: it floats the length of the field.',
            'Stopping on soft ground.',
        ),
        go_around='A bounce, or a third of the field gone before the wheels are down: go around.',
    ),
    Card(
        kind='power_off',
        title='Power-off 180',
        different='Idle abeam the spot at pattern height, best glide, {flap_late}slip to lose.',
        steps=(
            'Abeam: {carburettor_hot}idle, best glide, trim.',
            'Turn when the brief says: {shape}',
            '{lose_height}',
            'Slip out before the roundout; round out a little earlier, the path is steeper.',
        ),
        look='The spot: moving up the windscreen means low, down means high.',
        mistakes=(
            '{too_early}',
            'Stretching the glide with the stick.',
            'A steep last turn to make it fit.',
        ),
        go_around='Short: power at once and go around. Over 30° of bank needed, or past the box: go around.',
    ),
    Card(
        kind='no_flap',
        title='Landing without flap',
        different='Higher nose, flatter path, faster, and a longer float.',
        steps=(
            '{final}',
            'Start farther out: the path is the same, there is less drag to get back to it.',
            'Small roundout: the nose is already high; mind the tail.',
            'Let it float and slow; do not force it on. Brake gently, the roll is longer.',
        ),
        look=_FAR_END,
        mistakes=(
            'Coming in high and fast: without flap it does not come down.',
            'Flaring as with flap: it climbs away.',
            '{forcing}',
        ),
        go_around=_NOT_DOWN,
    ),
    Card(
        kind='forward_slip',
        title='Forward slip',
        different='Idle, wing down into the wind, opposite rudder: height goes, speed does not.',
        steps=(
            'High, power off: wing down on the side of the wind, full opposite rudder, nose a little lower.',
            'Hold the ground track along the centreline with bank; the airspeed may read wrong in a slip.',
            'Slip out with height in hand, above the roundout; speed settled before it.',
            '{order}',
        ),
        look='The runway, over the nose and to the side: the track is what counts, not the nose.',
        mistakes=(
            'Nose raised: speed falls with crossed controls.',
            'Slip held into the roundout: landed sideways.',
            'Slipping where the handbook forbids it{with_this_flap}.',
        ),
        go_around='Still high when the slip has to come out: go around.',
    ),
    Card(
        kind='three_point',
        title='Three-point landing',
        different='All three wheels together, slow, in the attitude it stands in on the ground.',
        steps=(
            '{before_final}',
            '{final}',
            '{order}',
            'Hold it off lower and longer than you think, until the nose stands where it stands on the ground.',
            'Stick full back as it touches, and it stays there; straight with quick feet until it stands.',
        ),
        look='Both sides of the nose at the edges of the runway, far ahead: they tell height and swing.',
        mistakes=(
            'Main wheels first: the tail drops, the wing lifts, it flies again.',
            'Letting the stick forward after the touch: the tail comes up and the brakes tip it over.',
            'Feet asleep: a swing grows by itself and ends in a ground loop.',
        ),
        go_around='A bounce, a swing you do not hold at once, or drift: power, go around.',
    ),
    Card(
        kind='wheel_landing',
        title='Wheel landing',
        different='On the main wheels, tail low, a little power, some ten knots faster. Never on soft ground.',
        steps=(
            '{before_final}',
            '{final}',
            'Round out as usual, keep a little power, let it sink on tail low from a foot or less; upwind wheel first.',
            'As the main wheels touch: a little forward to pin them, power off.',
            'Tail down while the rudder still holds it straight, then stick full back.',
        ),
        look=_FAR_END,
        mistakes=(
            'Pushing before it touches: wheels driven on, and it bounces.',
            'Forcing a bounce down with the stick: the next one is worse.',
            'Holding the tail up until the rudder no longer holds it.',
        ),
        go_around='Any bounce, any push that did not pin it, any swing: power, level, go around.',
    ),
)

_EXERCISES = (
    Card(
        kind='go_around',
        title='Go-around',
        different='Decided early, flown level first, {cleaned}.',
        steps=(
            'Full power{carburettor_cold}, right rudder.',
            'Nose to level; fly level until the speed is there.',
            '{clean_up}',
            'Move to the side if someone is on the runway; call it when it flies.',
        ),
        look='The horizon, then the speed.',
        mistakes=(
            '{flap_fault}',
            'Nose high with the trim of the approach: push, then trim.',
            'Waiting for the ground to decide.',
        ),
        go_around='This is it: any time, for any reason, without asking.',
    ),
    Card(
        kind='low_approach',
        title='Low approach along the runway',
        different='Slow flight at a few feet: the centreline held with a little power, then away.',
        steps=(
            'A normal approach; round out and leave a little power on.',
            'Fly the centreline a few feet up, slow, wings as the wind asks.',
            'At half the runway: go around{in_stages}.',
        ),
        look=_FAR_END,
        mistakes=(
            'Speed creeping up: it is not slow flight any more.',
            'Chasing height with the stick instead of a touch of power.',
            'Starting the go-around too late.',
        ),
        go_around='By half the runway at the latest, sooner if it settles or drifts.',
    ),
    Card(
        kind='hold_off_drill',
        title='Hold-off drill at altitude',
        different='A pretend deck, say 3,000 ft: the flare without a runway.',
        steps=(
            'Clearing turns; approach configuration and speed, descending.',
            'Idle 50 ft above the deck, round out to level on it.',
            'Hold it there as long as it will stay without sinking through; feel the stick come back.',
            'At the first sink or warning: recover with power, count the seconds.',
        ),
        look='Horizon and altimeter: the deck is not sunk through.',
        mistakes=(
            'Pulling at once: it balloons above the deck.',
            'Letting it sink through and calling it held.',
            'No lookout before and between.',
        ),
        go_around='Below the recovery height of your school: stop. Recover at the first warning.',
    ),
)


def _of_aircraft(aircraft: Aircraft | None) -> dict[str, str]:
    """What the aircraft decides; without one a trainer with flap and a nosewheel."""
    about = Particulars() if aircraft is None else aircraft.particulars
    has_flap, tail = aircraft is None or aircraft.has_flap, about.has_tailwheel
    cold = {True: ', carburettor heat cold', None: ', carburettor heat cold where it is fitted', False: ''}
    hot = {True: 'carburettor heat hot, ', None: 'carburettor heat hot where it is fitted, ', False: ''}
    return {
        'before_final': _before_final(aircraft),
        'full_flap': 'Full flap, ' if has_flap else '',
        'with_full_flap': 'full flap, ' if has_flap else '',
        'with_this_flap': ' with this flap' if has_flap else '',
        'flap_late': 'flap late, ' if has_flap else '',
        'lose_height': 'A little high beats a foot low: '
        + ('flap when the spot is made, slip what is left.' if has_flap else 'slip when the spot is made.'),
        'too_early': 'Flap too early: nothing brings the height back.'
        if has_flap
        else 'Slipping too early: nothing brings the height back.',
        'wheels_down': 'Stick full back as it touches, all three wheels together; straight with quick feet.'
        if tail
        else 'Nosewheel down last; straight to the end with the feet.',
        'last_wheel': 'the tail' if tail else 'the nose',
        'bracing': 'Feet still after the touch: the swing into the wind grows by itself.'
        if tail
        else 'Bracing on the rudder so that the nosewheel is turned as it comes down.',
        'soft_wheel': 'three-point and as slow as it will go' if tail else 'nosewheel off as long as it will stay',
        'soft_roll': 'Stick full back and held; no brake, power to keep rolling to firm ground.'
        if tail
        else 'Stick full back, nosewheel off; no brake, power to keep rolling to firm ground.',
        'soft_fault': 'it drops on' if tail else 'the nose falls in',
        'forcing': 'Forcing it on with the stick.' if tail else 'Forcing it on, nosewheel first.',
        'carburettor_cold': cold[about.has_carburettor_heat],
        'carburettor_hot': hot[about.has_carburettor_heat],
        'clean_up': 'Flap to the intermediate stage; positive rate, then the rest in stages.'
        if has_flap
        else 'Positive rate, then climb at the speed of the handbook.',
        'flap_fault': 'All flap up at once: it sinks.' if has_flap else 'Climbing before the speed is there: it sinks.',
        'cleaned': 'cleaned up in stages' if has_flap else 'then climbed',
        'in_stages': ', in stages' if has_flap else '',
    }


def _before_final(aircraft: Aircraft | None) -> str:
    """What is set and looked for before the last part of the approach; empty where the aircraft asks for nothing."""
    if aircraft is None:
        return ''
    about, said = aircraft.particulars, []
    if aircraft.is_retractable:
        limit = '' if about.gear_limit_kias is None else f' below {as_given(about.gear_limit_kias, "kt")}'
        said.append(f'Gear down{limit} on downwind; three greens there, on base and on final.')
    if about.propeller == 'variable':
        said.append('Propeller lever forward before final.')
    if about.slats_out_kias is not None:
        said.append(
            f'The slats come out at {as_given(about.slats_out_kias, "kt")}: over the threshold on a good approach.'
        )
    if about.angle_of_attack_target is not None:
        said.append(f'Angle of attack on final: {about.angle_of_attack_target}.')
    return ' '.join(said)


def _filled(text: str, decided: Mapping[str, str]) -> str:
    found = text.format(**decided)
    return found[:1].upper() + found[1:]


def _adapted(card: Card, technique: Technique, aircraft: Aircraft | None, flap: FlapSetting | None) -> Card:
    """A card with what the technique and the aircraft decide put in."""
    mark = None if flap is None else flap.windscreen_mark
    decided = {
        'final': _final(technique) + (f' With this flap it stands {mark}.' if mark else ''),
        'order': _ORDER[technique.roundout_order],
        'hold_off': _HOLD_OFF,
        'crosswind': _CROSSWIND[technique.crosswind_method],
        'rollout': _rollout(technique, aircraft),
        'shape': _SHAPE[technique.power_off_shape],
        **_of_aircraft(aircraft),
    }
    first, second, third = (_filled(text, decided) for text in card.mistakes)
    steps = (_filled(step, decided).strip() for step in card.steps)
    return replace(
        card,
        different=_filled(card.different, decided),
        steps=tuple(step for step in steps if step),
        mistakes=(first, second, third),
        go_around=_filled(card.go_around, decided),
    )


def card_of(
    kind: ExerciseKind, technique: Technique, aircraft: Aircraft | None = None, *, flap: FlapSetting | None = None
) -> Card:
    """The card of a kind as this technique flies it in this aircraft.

    :param flap: it is flown with, for where the aim point stands in the windscreen
    """
    found = next(card for card in (*_LANDINGS, *_EXERCISES) if card.kind == kind)
    return _adapted(found, technique, aircraft, flap)


def all_cards(technique: Technique, aircraft: Aircraft | None = None) -> tuple[Card, ...]:
    """Every card as this technique flies it, in the order they are usually taught; those that the aircraft lands."""
    cards = [card for card in _LANDINGS if aircraft is None or aircraft.lands(card.kind)]  # type: ignore[arg-type]
    return tuple(_adapted(card, technique, aircraft, None) for card in (*cards, *_EXERCISES))
