"""Exercises in teaching order, what each needs first, and where a student stands in each.

The order is the trade's [com], the words ours; a school adds, orders and retires its own.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Annotated, Literal

from pydantic import Field, StringConstraints

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import LandingKind, Outcome, TakeoffKind
from bullseye.core.basis.quantity import STORABLE, Checked, Name
from bullseye.core.record.readiness import State as Readiness

Group = Literal[
    'altitude', 'takeoff', 'pattern', 'landing', 'go_around', 'drill', 'traffic', 'field', 'night', 'aircraft', 'solo'
]
ExerciseState = Literal['not_begun', 'introduced', 'practised', 'likely', 'at_standard', 'signed', 'stale']
Noted = Literal['introduced', 'practised']
Code = Annotated[str, StringConstraints(pattern='^[a-z0-9_]{2,40}$')]
Text = Annotated[str, StringConstraints(max_length=400), STORABLE]
STALE_DAYS = 30  # [own] after which an exercise has to be flown again, unless the school sets another
_MOST_NEEDS = 8  # [own]


@dataclass(frozen=True, slots=True, kw_only=True)
class Exercise(Checked):
    """One thing to learn; ``landing``, ``takeoff``, ``outcome``: what laps show of it. Else the instructor says."""

    code: Code
    name: Name
    group: Group
    needs: Annotated[tuple[Code, ...], Field(max_length=_MOST_NEEDS)] = ()
    landing: LandingKind | None = None
    takeoff: TakeoffKind | None = None
    outcome: Outcome | None = None  # laps that end so are flights of it
    about: Text = ''

    def check_together(self) -> None:
        if self.code in self.needs:
            raise InvalidInput('needs', self.code, 'exercises other than this one')


def check_syllabus(exercises: Sequence[Exercise]) -> None:
    """Refuse a syllabus that nobody could begin or end.

    :raises InvalidInput: naming a code that stands twice, is needed and missing, or needs itself by way of others
    """
    codes = [one.code for one in exercises]
    by_code = {one.code: one for one in exercises}
    for code in codes:
        if codes.count(code) > 1:
            raise InvalidInput('code', code, 'each code once')
    for one in exercises:
        for need in one.needs:
            if need not in by_code:
                raise InvalidInput('needs', need, f'codes of the syllabus ({one.name} asks for it)')
    done: set[str] = set()

    def follow(code: str, on_the_way: tuple[str, ...]) -> None:
        if code in on_the_way:
            raise InvalidInput('needs', code, 'no exercise that needs itself by way of others')
        if code in done:
            return
        for need in by_code[code].needs:
            follow(need, (*on_the_way, code))
        done.add(code)

    for code in codes:
        follow(code, ())


@dataclass(frozen=True, slots=True, kw_only=True)
class Shown:
    """What is on record of a student in one exercise; None where there is nothing."""

    laps: int = 0
    last_on: date | None = None
    readiness: Readiness | None = None
    was_at_standard: bool = False  # once, by what was known then
    noted: Noted | None = None
    noted_on: date | None = None
    signed_on: date | None = None

    @property
    def latest_on(self) -> date | None:
        """When it was last flown or taught."""
        days = [day for day in (self.last_on, self.noted_on, self.signed_on) if day is not None]
        return max(days, default=None)


_INTRODUCED_LAPS = 5  # [own] fewer laps are an introduction


def state_of(shown: Shown, *, today: date, stale_days: int = STALE_DAYS) -> ExerciseState:
    """Where a student stands in an exercise.

    What was once signed or at standard goes stale by time, or when what is flown no longer shows it.
    """
    reached = shown.signed_on is not None or shown.was_at_standard or shown.readiness == 'at_standard'
    latest = shown.latest_on
    if reached and latest is not None and (today - latest).days > stale_days:
        return 'stale'
    if reached and shown.readiness == 'not_yet':
        return 'stale'
    if shown.signed_on is not None:
        return 'signed'
    if shown.readiness == 'at_standard':
        return 'at_standard'
    if shown.readiness == 'likely':
        return 'likely'
    if shown.laps >= _INTRODUCED_LAPS or shown.noted == 'practised':
        return 'practised'
    if shown.laps or shown.noted == 'introduced':
        return 'introduced'
    return 'not_begun'


HELD: tuple[ExerciseState, ...] = ('at_standard', 'signed')


def may_begin(exercise: Exercise, states: Mapping[str, ExerciseState]) -> tuple[str, ...]:
    """Codes that an exercise needs and that have not been practised yet; empty: it may be begun."""
    return tuple(need for need in exercise.needs if states.get(need, 'not_begun') in ('not_begun', 'introduced'))


def _exercise(
    code: str,
    name: str,
    group: Group,
    *needs: str,
    about: str,
    landing: LandingKind | None = None,
    takeoff: TakeoffKind | None = None,
    outcome: Outcome | None = None,
) -> Exercise:
    return Exercise(
        code=code, name=name, group=group, needs=needs, about=about, landing=landing, takeoff=takeoff, outcome=outcome
    )


BUILT_IN: tuple[Exercise, ...] = (
    _exercise(
        'slow_flight',
        'Slow flight at altitude',
        'altitude',
        about='Level at five knots over the stall warning, straight and in shallow turns, ball in the middle.',
    ),
    _exercise(
        'stalls',
        'Stalls, power off and in a turn',
        'altitude',
        'slow_flight',
        about='Recognise, lower the nose, power, wings level; also from a slow turn to final.',
    ),
    _exercise(
        'deck_drill',
        'Hold-off drill at altitude',
        'drill',
        'slow_flight',
        about='A pretend deck: approach speed, idle 50 ft above it, held off as long as it flies, never through it.',
        outcome='drill',
    ),
    _exercise(
        'takeoff_normal',
        'Takeoff, normal',
        'takeoff',
        about='Full power over three seconds, centreline, lift-off at the calculated place, climb speed.',
        takeoff='normal',
    ),
    _exercise(
        'rejected_takeoff',
        'Giving up a takeoff',
        'takeoff',
        'takeoff_normal',
        about='Power off, brakes, straight: at the mark that the brief shows, without a thought.',
    ),
    _exercise(
        'pattern',
        'Traffic pattern',
        'pattern',
        'takeoff_normal',
        'slow_flight',
        about='Altitude, speed, spacing and wind correction on every leg, checks and calls.',
    ),
    _exercise(
        'go_around',
        'Go-around',
        'go_around',
        'pattern',
        about='From final, from the roundout and after a bounce: power, level until speed, flap in stages.',
        outcome='go_around',
    ),
    _exercise(
        'low_approach',
        'Low approach along the runway',
        'drill',
        'pattern',
        'go_around',
        about='A few feet over the centreline with a little power, then around: the picture without the landing.',
        outcome='low_approach',
    ),
    _exercise(
        'landing_normal',
        'Normal landing',
        'landing',
        'pattern',
        'deck_drill',
        about='Aim point, path and speed held, look to the far end, hold it off.',
        landing='normal',
    ),
    _exercise(
        'bounce',
        'Bounce and balloon',
        'go_around',
        'landing_normal',
        'go_around',
        about='Small: hold the attitude and a touch of power. Anything else: go around. Never push.',
    ),
    _exercise(
        'no_flap',
        'No-flap landing',
        'landing',
        'landing_normal',
        about='Higher nose, longer float, an aim point farther back.',
        landing='no_flap',
    ),
    _exercise(
        'forward_slip',
        'Forward slip',
        'landing',
        'landing_normal',
        about='Losing height without speed, and straight again before the roundout.',
        landing='forward_slip',
    ),
    _exercise(
        'engine_failure',
        'Engine failure after takeoff and in the pattern',
        'solo',
        'pattern',
        about='Nose down, glide speed, a field within thirty degrees of the nose; from downwind the runway.',
    ),
    _exercise(
        'power_off',
        'Power-off 180',
        'landing',
        'landing_normal',
        'engine_failure',
        about='Idle abeam, best glide, turn at once; a little high beats a foot low.',
        landing='power_off',
    ),
    _exercise(
        'radio',
        'Calls and lost communication',
        'solo',
        'pattern',
        about='All calls of the pattern, light signals, and what to do when nobody answers.',
    ),
    _exercise(
        'traffic',
        'Number two, spacing and wake',
        'traffic',
        'pattern',
        about='See the other one, extend, say it, keep the gap; wait behind the heavy ones.',
    ),
    _exercise(
        'takeoff_crosswind',
        'Takeoff, crosswind',
        'takeoff',
        'takeoff_normal',
        about='Aileron into wind, less with speed; a clean lift-off, then the crab.',
        takeoff='crosswind',
    ),
    _exercise(
        'landing_crosswind',
        'Crosswind landing',
        'landing',
        'landing_normal',
        'takeoff_crosswind',
        about='Upwind wheel first, no drift; the controls stay in to the end.',
        landing='crosswind',
    ),
    _exercise(
        'first_solo',
        'First solo',
        'solo',
        'landing_normal',
        'go_around',
        'bounce',
        'engine_failure',
        'radio',
        about='By its own checklist and the instructor’s word; never by numbers alone.',
    ),
    _exercise(
        'takeoff_short',
        'Takeoff, short-field',
        'takeoff',
        'takeoff_normal',
        about='Full length, brakes, full power, best angle to the obstacle.',
        takeoff='short_field',
    ),
    _exercise(
        'landing_short',
        'Short-field landing',
        'landing',
        'landing_normal',
        about='Book speed, one steady path, idle, stick back, brake.',
        landing='short_field',
    ),
    _exercise(
        'takeoff_soft',
        'Takeoff, soft-field',
        'takeoff',
        'takeoff_normal',
        about='Stick back, keep rolling, leave early, stay low until climb speed.',
        takeoff='soft_field',
    ),
    _exercise(
        'landing_soft',
        'Soft-field landing',
        'landing',
        'landing_normal',
        about='A little power through the touchdown, nosewheel off, keep rolling.',
        landing='soft_field',
    ),
    _exercise(
        'sloping_field',
        'Unfamiliar and sloping fields',
        'field',
        'landing_short',
        about='What the picture does on another width and slope; look before you land.',
    ),
    _exercise(
        'night',
        'Pattern and landing by night',
        'night',
        'landing_crosswind',
        about='Dark approaches look high; path lights, instruments, a stabilised final.',
    ),
    _exercise(
        'retractable',
        'Retractable gear and variable propeller',
        'aircraft',
        'landing_normal',
        about='Gear speed, where it goes down, three greens three times, lever forward before final.',
    ),
    _exercise(
        'three_point',
        'Tailwheel: three-point landing',
        'aircraft',
        'landing_normal',
        about='The ground attitude at the touchdown, stick back and kept back.',
        landing='three_point',
    ),
    _exercise(
        'wheel_landing',
        'Tailwheel: wheel landing',
        'aircraft',
        'three_point',
        about='A little faster, tail low, forward after the wheels are on.',
        landing='wheel_landing',
    ),
    _exercise(
        'slats_aoa',
        'Slats and angle of attack',
        'aircraft',
        'landing_normal',
        about='Slats out over the threshold; the gauge’s target held on final.',
    ),
    _exercise(
        'test_profile',
        'Test profile',
        'solo',
        'landing_crosswind',
        'landing_short',
        'landing_soft',
        'forward_slip',
        about='The tasks of the test in one sortie, debriefed as an examiner would.',
    ),
)
