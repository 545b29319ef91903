"""A card for each kind of landing and exercise: what is different, steps in order, eyes, mistakes, go-around rule.

The wording is ours, the practice common [com]; FAA-H-8083-3 describes the same manoeuvres. What a technique decides is
put in where it belongs, so that a card never contradicts the school that is flown.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from bullseye.core.basis.kinds import ExerciseKind
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
# what a technique decides stands in braces
_LANDINGS = (
    Card(
        kind='normal',
        title='Normal landing',
        different='Full flap, path and speed held, power off when the spot is made.',
        steps=('{final}', '{order}', '{hold_off}', 'Nosewheel down last; straight to the end with the feet.'),
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
        different='Upwind wheel, then the other, then the nose. The controls stay in.',
        steps=(
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
            'Bracing on the rudder so that the nosewheel is turned as it comes down.',
        ),
        go_around='Full rudder does not hold it, or it drifts at the flare: go around. Twice: another runway.',
    ),
    Card(
        kind='short_field',
        title='Short-field landing',
        different='Slowest book speed, full flap, aim short of the spot, one steady angle.',
        steps=(
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
        different='A little power through touchdown, nosewheel off as long as it will stay, keep rolling.',
        steps=(
            '{final}',
            'Round out as usual and leave 100 to 200 rpm on.',
            'Hold it off just above the ground until it touches as slowly as it can.',
            'Stick full back, nosewheel off; no brake, power to keep rolling to firm ground.',
        ),
        look=_FAR_END,
        mistakes=(
            'Power off at the touch: the nose falls in.',
            'Too much power: it floats the length of the field.',
            'Stopping on soft ground.',
        ),
        go_around='A bounce, or a third of the field gone before the wheels are down: go around.',
    ),
    Card(
        kind='power_off',
        title='Power-off 180',
        different='Idle abeam the spot at pattern height, best glide, flap late, slip to lose.',
        steps=(
            'Abeam: idle, best glide, trim.',
            'Turn when the brief says: {shape}',
            'A little high beats a foot low: flap when the spot is made, slip what is left.',
            'Slip out before the roundout; round out a little earlier, the path is steeper.',
        ),
        look='The spot: moving up the windscreen means low, down means high.',
        mistakes=(
            'Flap too early: nothing brings the height back.',
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
            'Forcing it on, nosewheel first.',
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
            'Slipping where the handbook forbids it with this flap.',
        ),
        go_around='Still high when the slip has to come out: go around.',
    ),
)

_EXERCISES = (
    Card(
        kind='go_around',
        title='Go-around',
        different='Decided early, flown level first, cleaned up in stages.',
        steps=(
            'Full power, carburettor heat cold, right rudder.',
            'Nose to level; fly level until the speed is there.',
            'Flap to the intermediate stage; positive rate, then the rest in stages.',
            'Move to the side if someone is on the runway; call it when it flies.',
        ),
        look='The horizon, then the speed.',
        mistakes=(
            'All flap up at once: it sinks.',
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
            'At half the runway: go around, in stages.',
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


def _of_technique(card: Card, technique: Technique) -> Card:
    """A card with what the technique decides put in."""
    decided = {
        'final': _final(technique),
        'order': _ORDER[technique.roundout_order],
        'hold_off': _HOLD_OFF,
        'crosswind': _CROSSWIND[technique.crosswind_method],
        'rollout': _ROLLOUT[technique.rollout_flap],
        'shape': _SHAPE[technique.power_off_shape],
    }
    return replace(card, steps=tuple(step.format(**decided) for step in card.steps))


def card_of(kind: ExerciseKind, technique: Technique) -> Card:
    """The card of a kind as this technique flies it."""
    return _of_technique(next(card for card in (*_LANDINGS, *_EXERCISES) if card.kind == kind), technique)


def all_cards(technique: Technique) -> tuple[Card, ...]:
    """Every card as this technique flies it, in the order they are usually taught."""
    return tuple(_of_technique(card, technique) for card in (*_LANDINGS, *_EXERCISES))
