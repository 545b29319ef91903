"""Months before today at the made-up school: each student with their habit, what was noted, signed and set."""

from __future__ import annotations

import uuid
from dataclasses import replace
from datetime import UTC, date, datetime, time, timedelta

import numpy as np
from sqlalchemy.orm import Session

from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.setup import landing_setup
from bullseye.core.model.touchdown import predict
from bullseye.demo.seed import HABITS, Cast, Habit, plan_sortie
from bullseye.store.flying import laps
from bullseye.store.flying.requests import live_request, request_of
from bullseye.store.record import homework, page
from bullseye.store.rows.flying import Sortie
from bullseye.store.rows.people import User
from bullseye.store.rows.record import SignOff

_WEEKS = 11
# what each student flew, week by week from the oldest
_KINDS = (
    ('normal', 'normal', 'normal', 'crosswind', 'normal'),
    ('normal', 'normal', 'crosswind', 'normal'),
    ('normal', 'normal', 'normal', 'no_flap'),
    ('normal', 'short_field', 'power_off', 'short_field', 'normal', 'power_off'),
)
_STANDARDS = ('US private', 'US private', 'US private', 'US commercial')
_FOLLOWS_THE_BRIEF = (False, False, True, True)  # whether the aim point that was learned is flown
_AT_ALTITUDE = ('slow_flight', 'stalls', 'deck_drill', 'go_around', 'engine_failure', 'radio')
_MARKS: tuple[tuple[str, ...], ...] = (
    ('prompted',),
    ('overshot_final', 'over_banked'),
    ('dropped_in', 'off_centreline', 'steep', 'flat'),
    (),
)


def add_history(db: Session, cast: Cast, *, today: date) -> None:
    """Fly the weeks before today, and what was taught, signed and set in them."""
    rng = np.random.default_rng(416)
    for week in range(_WEEKS, 1, -1):
        for student, usual in enumerate(HABITS):
            # ready for the test: over months closer than in the last days
            habit = replace(usual, scatter_ft=20, bias_ft=0) if student == len(HABITS) - 1 else usual
            kinds = _KINDS[student]
            days = 7 * week - student
            gusty = student == 1 and week % 3 == 0
            wind = (float(40 + 10 * (week % 5)), float(5 + week % 4), float(13 + week % 4) if gusty else None)
            sortie = plan_sortie(
                db,
                cast,
                people=(student, (student + week) % 2),
                planned_on=today - timedelta(days=days),
                standard=_STANDARDS[student],
                landing=kinds[(_WEEKS - week) % len(kinds)],
                wind=wind,
            )
            sortie.planned_time = time(8 + 2 * student, 30)
            sortie.flap = 'up' if sortie.landing == 'no_flap' else sortie.flap
            # flown long ago: not brought forward to today when nobody has touched it
            sortie.weather_at = datetime.combine(sortie.planned_on, time(8), UTC)
            by = cast.instructors[(student + week) % 2]
            for number in range(5):
                _fly(db, sortie, student=student, habit=habit, by=by, number=number, rng=rng)
    _teach(db, cast, today=today)
    for ahead, student in ((1, 0), (2, 3), (3, 1), (6, 2)):
        sortie = plan_sortie(
            db,
            cast,
            people=(student, student % 2),
            planned_on=today + timedelta(days=ahead),
            standard=_STANDARDS[student],
            landing='normal',
            wind=None,  # of days to come nobody knows it
        )
        sortie.planned_time, sortie.from_demo = time(9 + student), False
        if ahead == 3:
            sortie.cancelled_for = 'aircraft in maintenance'
    db.flush()


def _fly(
    db: Session, sortie: Sortie, *, student: int, habit: Habit, by: User, number: int, rng: np.random.Generator
) -> None:
    """One lap with the student's habit on top; who follows the brief flies the aim point that was learned."""
    request = live_request(db, sortie) if _FOLLOWS_THE_BRIEF[student] else request_of(sortie)
    brief = make_brief(request)
    approach = landing_setup(request_of(sortie)).approach
    off_kt = habit.speed_kt + (habit.gust_kt if sortie.gust_kt is not None else 0.0)
    off_kt += habit.speed_scatter_kt * float(rng.normal())
    touch = predict(replace(approach, speed_ktas=approach.speed_ktas + off_kt))
    along_ft = brief.aim.aim_point_ft + touch.touchdown_ft + habit.bias_ft + habit.scatter_ft * float(rng.normal())
    values: dict[str, object] = {
        'flown_at': datetime.combine(sortie.planned_on, sortie.planned_time or time(12), UTC)
        + timedelta(minutes=12 + 6 * number),
        'aim_point_ft': brief.aim.aim_point_ft,
        'marks': [mark for mark in _MARKS[student] if rng.random() < 0.2],
        'known_by': {},
    }
    if along_ft > sortie.spot_ft + 750 and rng.random() < 0.6:
        values |= {'outcome': 'go_around', 'marks': ['going_long']}
    else:
        values |= {
            'outcome': 'full_stop' if number == 4 else 'touch_and_go',
            'along_ft': float(round(max(20.0, along_ft), -1)),
            'lateral_ft': float(round(rng.normal() * 5)),
            'threshold_speed_kias': float(round(brief.speed.recommended_speed_kias + off_kt)),
            'float_s': float(round(max(0.5, touch.float_s + habit.float_extra_s + 0.3 * rng.normal()), 1)),
            'drift': 'left' if rng.random() < habit.drift_chance / 2 else 'none',
            'bounced': bool(student == 2 and rng.random() < 0.15),
            'ballooned': bool(off_kt > 5),
            'known_by': {'along_ft': 'tapped', 'float_s': 'timed', 'threshold_speed_kias': 'read'},
        }
    laps.keep(db, sortie, lap_id=uuid.UUID(bytes=rng.bytes(16), version=4), by=by, values=values)


def _teach(db: Session, cast: Cast, *, today: date) -> None:
    """Notes, sign-offs and homework."""
    marta, elias = cast.instructors
    for student, done in enumerate((4, 5, 3, 6)):
        for number, code in enumerate(_AT_ALTITUDE[:done]):
            on = today - timedelta(days=70 - 9 * number)
            page.note_exercise(
                db, cast.students[student], by=marta, code=code, noted='practised', on=on, sortie_id=None, words=None
            )
    owen = cast.students[3]
    for number, (code, name) in enumerate((('landing_normal', 'Normal landing'), ('power_off', 'Power-off 180'))):
        db.add(
            SignOff(
                school_id=owen.school_id,
                id=uuid.UUID(int=number + 1, version=4),
                student_id=owen.id,
                kind='exercise',
                code=code,
                words=f'{name}: steady, and goes around by himself.',
                standard='US commercial',
                edition='FAA-S-ACS-7',
                evidence={'warnings': [], 'ticked': []},
                signed_by=elias.id,
                signed_at=datetime.combine(today - timedelta(days=9 + 5 * number), time(16), UTC),
            )
        )
    ines, priya = cast.students[0], cast.students[2]
    homework.give(db, ines, by=marta, kind='reading', words='Why you land long', fault='long', due_on=today)
    homework.give(
        db,
        priya,
        by=marta,
        kind='drill',
        words='Call the speed aloud on every final',
        fault='balloon',
        due_on=today + timedelta(days=4),
    )
