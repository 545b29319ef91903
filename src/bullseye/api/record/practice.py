"""Practice on the ground: pictures and films handed out, answers judged, and what was practised."""

from __future__ import annotations

import secrets
import uuid
from typing import Annotated

from apiflask import APIBlueprint
from flask import current_app
from flask_login import login_required
from pydantic import AwareDatetime, Field, JsonValue

from bullseye.api.context import database, person
from bullseye.api.flying.days import QueryId
from bullseye.api.schema import In, Out
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.sentence import Sentence
from bullseye.core.brief.aiming import recommended_aim_ft
from bullseye.core.brief.request import BriefRequest, Weather
from bullseye.core.given.airfield import usual_spot_ft
from bullseye.core.given.loading import usual_weight_lb
from bullseye.core.given.standards import BUILT_IN
from bullseye.core.practise.drills import PathDrill, RoundoutDrill, path_drill, roundout_drill
from bullseye.store.equipment import catalogue
from bullseye.store.errors import NotFound
from bullseye.store.record import page, practice
from bullseye.store.rows.equipment import Aircraft, RunwayEnd
from bullseye.store.rows.record import Practice

bp = APIBlueprint('practice', __name__, url_prefix='/api/practice', tag='Practice')


class PractiseAsked(In):
    """On which runway, in which aircraft, in how much wind along it."""

    runway_end_id: QueryId
    aircraft_id: QueryId
    headwind_kt: Annotated[float, Field(ge=-10, le=40)] = 0.0


class Seat(Out):
    """What of the aircraft is in the picture."""

    eye_height_ft: float
    blind_distance_ft: float


class PathOut(Out):
    """Pictures, and the signature under which they are answered."""

    token: str
    seat: Seat
    drill: PathDrill


class RoundoutOut(Out):
    """Films, and the signature under which they are answered."""

    token: str
    seat: Seat
    drill: RoundoutDrill


class AnswersIn(In):
    """Answers to what was handed out; sending them again changes nothing."""

    token: Annotated[str, Field(max_length=20_000)]
    answers: Annotated[list[dict[str, JsonValue]], Field(min_length=1, max_length=120)]


class PractisedOut(Out):
    """What was measured, in words too."""

    figure: float
    low: float
    high: float
    items: int
    words: list[Sentence]


class PracticeLine(Out):
    """One drill on record."""

    id: uuid.UUID
    drill: practice.Drill
    practised_at: AwareDatetime
    figure: float
    low: float
    high: float
    items: int
    conditions: dict[str, str]


class PracticeOut(Out):
    """What was practised, latest first."""

    practised: list[PracticeLine]


def _key() -> str:
    return str(current_app.config['SECRET_KEY'])


def _request(asked: PractiseAsked) -> tuple[BriefRequest, dict[str, str], Seat]:
    """What is flown in the pictures: a normal landing at the usual weight, in a wind along the runway."""
    db = database()
    end, craft = db.get(RunwayEnd, asked.runway_end_id), db.get(Aircraft, asked.aircraft_id)
    if end is None or end.removed_at is not None:
        raise NotFound('runway end')
    if craft is None or craft.removed_at is not None:
        raise NotFound('aircraft')
    runway, aircraft = catalogue.runway_of(end), catalogue.aircraft_of(craft)
    wind_kt = abs(asked.headwind_kt)
    course = runway.course_deg_true if asked.headwind_kt >= 0 else (runway.course_deg_true + 180) % 360
    request = BriefRequest(
        aircraft=aircraft,
        runway=runway,
        weather=Weather(
            temperature_c=15.0, qnh_hpa=1_013.25, wind_kt=wind_kt, wind_dir_deg_true=course if wind_kt else None
        ),
        weight_lb=usual_weight_lb(aircraft),
        landing='normal',
        standard=BUILT_IN['us_private'],
        spot_ft=usual_spot_ft(runway),
    )
    conditions = {'runway': f'{end.airfield.name} {end.ident}', 'aircraft': aircraft.name}
    return request, conditions, Seat(eye_height_ft=aircraft.eye_height_ft, blind_distance_ft=aircraft.blind_distance_ft)


@bp.get('/path')
@login_required
@bp.input(PractiseAsked, location='query')
@bp.output(PathOut)
@bp.doc(responses=[401, 404, 422])
def hand_out_pictures(query_data: PractiseAsked) -> PathOut:
    """Hand out pictures from final: high, low or right?"""
    request, conditions, seat = _request(query_data)
    token = practice.hand_out(person(), key=_key(), drill='path', conditions=conditions)
    drill = path_drill(request.runway, aim_point_ft=max(200.0, recommended_aim_ft(request)))
    return PathOut(token=token, seat=seat, drill=drill)


@bp.get('/roundout')
@login_required
@bp.input(PractiseAsked, location='query')
@bp.output(RoundoutOut)
@bp.doc(responses=[401, 404, 422])
def hand_out_films(query_data: PractiseAsked) -> RoundoutOut:
    """Hand out films of the last seconds of an approach: where does the roundout begin?"""
    request, conditions, seat = _request(query_data)
    try:
        drill = roundout_drill(request, seed=secrets.randbelow(2**31))
    except InvalidInput:
        raise InvalidInput('runway_end_id', query_data.runway_end_id, 'a runway that the path comes down to') from None
    truths = [one.truth for one in drill.clips]
    token = practice.hand_out(person(), key=_key(), drill='roundout', conditions=conditions, truths=truths)
    return RoundoutOut(token=token, seat=seat, drill=drill)


@bp.post('')
@login_required
@bp.input(AnswersIn)
@bp.output(PractisedOut)
@bp.doc(responses=[401, 409, 422])
def take_answers(json_data: AnswersIn) -> PractisedOut:
    """Judge answers, and keep what they measured for whom the pictures were handed out to."""
    plain = [dict(one) for one in json_data.answers]
    return PractisedOut.model_validate(
        practice.keep(database(), person(), key=_key(), token=json_data.token, answers=plain)
    )


class PracticeAsked(In):
    """Whose; nobody named: one's own."""

    student_id: QueryId | None = None


@bp.get('')
@login_required
@bp.input(PracticeAsked, location='query')
@bp.output(PracticeOut)
@bp.doc(responses=[401, 404])
def list_practice(query_data: PracticeAsked) -> PracticeOut:
    """List what was practised: one's own, or that of a student whom one may see."""
    db, whose = database(), person()
    if query_data.student_id is not None:
        whose = page.find_student(db, query_data.student_id, person=person())
    return PracticeOut(practised=[_line(one) for one in practice.of_person(db, whose)])


def _line(row: Practice) -> PracticeLine:
    return PracticeLine.model_validate({name: getattr(row, name) for name in PracticeLine.model_fields})
