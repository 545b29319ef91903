"""What a tablet takes along, the tracks it sends, and the fleet's float as all laps show it."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from contextlib import suppress
from typing import Any

from apiflask import APIBlueprint
from flask import request
from flask_login import login_required
from pydantic import AwareDatetime
from sqlalchemy.orm import Session

from bullseye.api.context import database, person
from bullseye.api.equipment.catalogue import CatalogueOut, read_catalogue_data
from bullseye.api.flying.briefs import BriefOut, PlanOut
from bullseye.api.flying.laps import LapOut, LapsOut
from bullseye.api.flying.sortiefields import SortieOut
from bullseye.api.schema import In, Out
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import LandingKind
from bullseye.core.basis.quantity import ClockReading
from bullseye.core.brief.answers import AnswerTable, make_answers
from bullseye.core.brief.kneeboard import Kneeboard
from bullseye.core.brief.landing import BriefAnswer
from bullseye.core.brief.request import BriefRequest, RefusedRequest
from bullseye.store.flying import fleet, laps, sorties
from bullseye.store.flying.judging import summary_of
from bullseye.store.flying.kneeboard import kneeboard_of
from bullseye.store.flying.plan import planned
from bullseye.store.flying.requests import SortieSoFar, brief_of, live_request
from bullseye.store.rows.flying import Sortie
from bullseye.store.tracks import positions
from bullseye.words.language import remembered

bp = APIBlueprint('cockpit', __name__, url_prefix='/api', tag='Cockpit')


@remembered(300)  # a request says all that they depend on
def answers_of(request: BriefRequest, *, aim_step_ft: float) -> AnswerTable:
    """The table of a request, made with the brief that is kept of it."""
    return make_answers(request, aim_step_ft=aim_step_ft, brief=brief_of(request))


class ElsewhereOut(Out):
    """Brief and answers for a landing of the sortie on another runway of its field."""

    runway_end_id: int
    landing: LandingKind
    brief: BriefAnswer
    answers: AnswerTable


class AboardOut(Out):
    """Everything of one sortie that a device needs without a network."""

    made_at: AwareDatetime
    sortie: SortieOut
    brief: BriefOut
    plan: PlanOut
    laps: LapsOut
    kneeboard: Kneeboard
    briefs: dict[LandingKind, BriefAnswer]
    answers: dict[LandingKind, AnswerTable]
    elsewhere: list[ElsewhereOut]
    catalogue: CatalogueOut


class TrackPieceOut(Out):
    """A piece of track as it was kept."""

    id: uuid.UUID
    begun_at: AwareDatetime
    ended_at: AwareDatetime
    fixes: int


class TrackPiecesOut(Out):
    """The pieces of track of a sortie."""

    tracks: list[TrackPieceOut]


class FloatOut(Out):
    """How an aircraft slows in the hold-off with one flap, from all pilots' laps; low and high hold 95 %."""

    aircraft: str
    flap: str
    laps: int  # the latest, of which it is learned
    has_more_laps: bool
    timed_laps: int
    deceleration_fps2: float
    deceleration_low: float
    deceleration_high: float
    float_ft: float
    float_low_ft: float
    float_high_ft: float


class FleetOut(Out):
    """Which aircraft floats how far."""

    floats: list[FloatOut]


@bp.get('/sorties/<int:sortie_id>/aboard')
@login_required
@bp.output(AboardOut)
@bp.doc(responses=[401, 404])
def take_along(sortie_id: int) -> AboardOut:
    """Take a sortie along: brief, plan, laps, card and a table of answers for when there is no network."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person())
    known = planned(db, sortie)
    brief, plan, requests = brief_of(known.live), known.parts, known.requests
    found, unreadable = laps.results(db, sortie)
    others = laps.other_versions(db, [one.lap for one in found])
    return AboardOut.model_validate(
        {
            'made_at': fleet.now(),
            'sortie': SortieOut.of(sortie),
            'brief': BriefOut(brief=brief, change=None),
            'plan': PlanOut(plan=plan, usual_marks=list(known.usual_marks)),
            'briefs': {kind: brief_of(request) for kind, request in requests.items()},
            'laps': LapsOut(
                laps=[LapOut.of(one, others.get(one.lap.id, ())) for one in found],
                unreadable=unreadable,
                summary=summary_of(db, sortie, found),
            ),
            'kneeboard': kneeboard_of(db, sortie, known),
            'answers': {
                kind: answers_of(request, aim_step_ft=sortie.school.aim_step_ft) for kind, request in requests.items()
            },
            'elsewhere': _elsewhere(db, sortie, list(requests)),
            'catalogue': CatalogueOut.model_validate(read_catalogue_data(db, person())),
        }
    )


def _elsewhere(db: Session, sortie: Sortie, kinds: Sequence[LandingKind]) -> list[ElsewhereOut]:
    """The same landings on the other ends, each as it would be asked for there."""
    found = []
    so_far = SortieSoFar()  # what was learned is the same on every runway, and read once
    for end in sortie.runway_end.airfield.ends:
        if end.id == sortie.runway_end_id or end.removed_at is not None:
            continue
        for kind in kinds:
            # a runway on which this cannot be flown, too short for the spot say, is not taken along
            with suppress(RefusedRequest, InvalidInput):
                request = live_request(db, sortie, landing=kind, runway_end=end, so_far=so_far)
                answers = answers_of(request, aim_step_ft=sortie.school.aim_step_ft)
                brief = brief_of(request)
                found.append(ElsewhereOut(runway_end_id=end.id, landing=kind, brief=brief, answers=answers))
    return found


class DatedBy(In):
    """The hour of sending by the device's clock, where the positions are dated by that clock."""

    sent_at: ClockReading | None = None


@bp.put('/sorties/<int:sortie_id>/tracks/<uuid:track_id>')
@login_required
@bp.input(DatedBy, location='query')
@bp.output(TrackPieceOut)
@bp.doc(responses=[401, 403, 404, 409, 422])
def keep_track(sortie_id: int, track_id: uuid.UUID, query_data: DatedBy) -> Any:
    """Keep a piece of track, gzipped JSON as the device wrote it; sending it twice changes nothing."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person(), right='coach')
    raw = request.get_data(cache=False)
    return positions.keep(db, sortie, track_id=track_id, by=person(), raw=raw, sent_at=query_data.sent_at)


@bp.get('/sorties/<int:sortie_id>/tracks')
@login_required
@bp.output(TrackPiecesOut)
@bp.doc(responses=[401, 404])
def list_tracks(sortie_id: int) -> dict[str, Any]:
    """List the pieces of track of a sortie."""
    db = database()
    return {'tracks': positions.of_sortie(db, sorties.find(db, sortie_id, person=person()))}


@bp.get('/fleet')
@login_required
@bp.output(FleetOut)
@bp.doc(responses=[401, 403])
def read_fleet() -> dict[str, Any]:
    """Which aircraft floats how far, learned from all pilots' laps, with intervals."""
    return {'floats': fleet.floats(database(), by=person())}
