"""A sortie's brief, its whole plan, and its kneeboard card."""

from __future__ import annotations

from typing import Any

from apiflask import APIBlueprint
from flask import Response
from flask_login import login_required
from pydantic import MISSING

from bullseye.api.context import database, person
from bullseye.api.schema import Id, In, Out, Text, true_wind
from bullseye.core.basis.kinds import LandingKind, TakeoffKind
from bullseye.core.basis.limits import (
    AimFt,
    GustKt,
    QnhHpa,
    SpeedKias,
    SpotFt,
    TemperatureC,
    WeightLb,
    WindKt,
)
from bullseye.core.basis.quantity import Degrees
from bullseye.core.brief.kneeboard import Kneeboard, Paper
from bullseye.core.brief.landing import BriefAnswer
from bullseye.core.brief.whatif import Change, compare
from bullseye.core.brief.whole import Parts
from bullseye.core.fly.cards import Card, all_cards
from bullseye.core.fly.pattern import PatternChoice
from bullseye.store.equipment import catalogue
from bullseye.store.flying import laps, sorties
from bullseye.store.flying.kneeboard import kneeboard_of
from bullseye.store.flying.plan import planned
from bullseye.store.flying.requests import brief_of, changed_request, live_request

bp = APIBlueprint('briefs', __name__, url_prefix='/api/sorties', tag='Sorties')


class BriefChanges(In):
    """What to ask differently from the sortie as kept; what is left out stays as kept."""

    # one direction: by the compass at the runway, or true as reports give it
    wind_dir_deg_mag: Degrees | MISSING | None = MISSING
    wind_dir_deg_true: Degrees | MISSING | None = MISSING
    wind_kt: WindKt | MISSING = MISSING
    gust_kt: GustKt | MISSING | None = MISSING
    temperature_c: TemperatureC | MISSING = MISSING
    qnh_hpa: QnhHpa | MISSING = MISSING
    weight_lb: WeightLb | MISSING = MISSING
    flap: Text | MISSING | None = MISSING
    spot_ft: SpotFt | MISSING = MISSING
    approach_speed_kias: SpeedKias | MISSING | None = MISSING
    aim_point_ft: AimFt | MISSING | None = MISSING
    landing: LandingKind | MISSING = MISSING
    runway_end_id: Id | MISSING | None = MISSING


class PlanChanges(In):
    """Another takeoff or pattern than the sortie keeps; what is left out stays."""

    takeoff: TakeoffKind | None = None
    pattern: PatternChoice | None = None


class PlanOut(Out):
    """The brief's other parts: runway, takeoff, pattern and power-off reach."""

    plan: Parts
    usual_marks: list[str]  # that the student's latest laps were given, most often first


class BriefOut(Out):
    """A brief, and what the changes did to it."""

    brief: BriefAnswer
    change: Change | None


@bp.post('/<int:sortie_id>/brief')
@login_required
@bp.input(BriefChanges)
@bp.output(BriefOut)
@bp.doc(responses=[401, 404])
def brief_sortie(sortie_id: int, json_data: BriefChanges) -> BriefOut:
    """Work out the brief of a sortie as kept, or as it would be with changes; nothing is written."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person())
    request = live_request(db, sortie)
    kept = brief_of(request)
    changes: dict[str, Any] = json_data.model_dump()
    if not changes:
        return BriefOut(brief=kept, change=None)
    landing, end = changes.pop('landing', None), laps.runway_end(db, changes.pop('runway_end_id', None))
    asked = request
    if landing is not None or end is not None:
        spot_ft = changes.pop('spot_ft', None)  # at once with the runway: that of the sortie may lie beyond its end
        asked = live_request(db, sortie, landing=landing, spot_ft=spot_ft, runway_end=end)
    asked = changed_request(asked, true_wind(changes, asked.runway))
    brief = brief_of(asked)
    return BriefOut(brief=brief, change=compare(before=kept, after=brief, after_request=asked))


@bp.post('/<int:sortie_id>/plan')
@login_required
@bp.input(PlanChanges)
@bp.output(PlanOut)
@bp.doc(responses=[401, 404])
def plan_sortie(sortie_id: int, json_data: PlanChanges) -> PlanOut:
    """Work out runway, takeoff, pattern and power-off reach, as kept or with changes; nothing is written."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person())
    known = planned(db, sortie, takeoff=json_data.takeoff, pattern=json_data.pattern)
    return PlanOut(plan=known.parts, usual_marks=list(known.usual_marks))


class KneeboardOut(Out):
    """A kneeboard card."""

    kneeboard: Kneeboard


@bp.get('/<int:sortie_id>/kneeboard')
@login_required
@bp.output(KneeboardOut)
@bp.doc(responses=[401, 404])
def read_kneeboard(sortie_id: int) -> KneeboardOut:
    """The kneeboard card of a sortie as it is briefed now."""
    db = database()
    return KneeboardOut(kneeboard=kneeboard_of(db, sorties.find(db, sortie_id, person=person())))


@bp.get('/<int:sortie_id>/kneeboard-<any(a5, a4):paper>.pdf')
@login_required
@bp.doc(responses={200: 'The card as PDF', 401: 'Not signed in', 404: 'No such sortie'})
def print_kneeboard(sortie_id: int, paper: Paper) -> Response:
    """The kneeboard card as PDF: one A5 page, or twice on A4."""
    from bullseye.paper.kneeboard import kneeboard_pdf  # here: what draws PDF takes long to load, and is seldom needed

    db = database()
    card = kneeboard_of(db, sorties.find(db, sortie_id, person=person()))
    return Response(
        kneeboard_pdf(card, paper=paper),
        mimetype='application/pdf',
        headers={'Content-Disposition': f'inline; filename="kneeboard-{sortie_id}.pdf"'},
    )


class CardsOut(Out):
    """Cards of every landing and exercise."""

    cards: list[Card]


@bp.get('/<int:sortie_id>/cards')
@login_required
@bp.output(CardsOut)
@bp.doc(responses=[401, 404])
def read_cards(sortie_id: int) -> CardsOut:
    """Every card as the technique of a sortie flies it: landings, go-around, low approach, hold-off drill."""
    sortie = sorties.find(database(), sortie_id, person=person())
    technique, aircraft = catalogue.technique_of(sortie.technique), catalogue.aircraft_of(sortie.aircraft)
    return CardsOut(cards=list(all_cards(technique, aircraft)))
