"""Laps of a sortie: write once under the client's id, read with score and explanation."""

from __future__ import annotations

import uuid
from typing import Annotated, Literal

from annotated_types import Ge, Gt, Le
from apiflask import APIBlueprint
from flask.typing import ResponseReturnValue
from flask_login import login_required
from pydantic import AwareDatetime, Field

from bullseye.api.context import database, person
from bullseye.api.schema import In, Out
from bullseye.core.diagnosis import Diagnosis
from bullseye.core.kinds import DriftSide, Outcome
from bullseye.core.progress import Summary
from bullseye.core.quantity import Degrees, Real
from bullseye.core.scoring import Score
from bullseye.store import coaching, laps, sorties

bp = APIBlueprint('laps', __name__, url_prefix='/api/sorties', tag='Laps')
KnownBy = Literal['tapped', 'timed', 'read', 'seen', 'tracked', 'corrected']


class LapIn(In):
    """One lap as measured; null is unknown. ``aim_point_ft`` only when it was not the one worked out."""

    outcome: Outcome
    flown_at: AwareDatetime | None = None
    along_ft: Annotated[Real, Ge(-3_000), Le(20_000)] | None = None
    lateral_ft: Annotated[Real, Ge(-200), Le(200)] | None = None
    threshold_speed_kias: Annotated[Real, Gt(20), Le(250)] | None = None
    float_s: Annotated[Real, Ge(0), Le(60)] | None = None
    drift: DriftSide | None = None
    bounced: bool | None = None
    ballooned: bool | None = None
    wind_dir_deg_mag: Degrees | None = None
    wind_kt: Annotated[Real, Ge(0), Le(100)] | None = None
    aim_point_ft: Annotated[Real, Ge(-5_000), Le(20_000)] | None = None
    known_by: dict[
        Literal['along_ft', 'lateral_ft', 'threshold_speed_kias', 'float_s', 'drift', 'wind_kt'], KnownBy
    ] = Field(default_factory=dict)


class LapOut(Out):
    """One lap with its score and why it landed there."""

    id: uuid.UUID
    number: int
    flown_at: AwareDatetime
    outcome: Outcome
    along_ft: float | None
    lateral_ft: float | None
    threshold_speed_kias: float | None
    float_s: float | None
    drift: DriftSide | None
    bounced: bool | None
    ballooned: bool | None
    wind_dir_deg_mag: float | None
    wind_kt: float | None
    known_by: dict[str, KnownBy]
    model_version: str
    aim_point_ft: float
    recommended_aim_point_ft: float
    approach_speed_kias: float
    spot_ft: float
    box_ft: tuple[float, float]
    target_ft: float
    score: Score
    diagnosis: Diagnosis

    @classmethod
    def of(cls, result: coaching.LapResult) -> LapOut:
        """Reply for a lap with its result."""
        lap, brief = result.lap, result.brief
        of_lap = (*('id', 'flown_at', *coaching.MEASURED, 'wind_dir_deg_mag', 'wind_kt', 'known_by', 'model_version'),)
        of_brief = ('aim_point_ft', 'recommended_aim_point_ft', 'approach_speed_kias', 'spot_ft', 'box_ft', 'target_ft')
        return cls.model_validate(
            {
                **{name: getattr(lap, name) for name in of_lap},
                **{name: getattr(brief, name) for name in of_brief},
                'number': result.number,
                'score': result.score,
                'diagnosis': result.diagnosis,
            }
        )


class LapsOut(Out):
    """All laps of a sortie, and what they show together."""

    laps: list[LapOut]
    summary: Summary


@bp.get('/<int:sortie_id>/laps')
@login_required
@bp.output(LapsOut)
@bp.doc(responses=[401, 404])
def list_laps(sortie_id: int) -> LapsOut:
    """List the laps of a sortie in the order flown."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person())
    found = laps.results(db, sortie)
    return LapsOut(laps=[LapOut.of(one) for one in found], summary=coaching.summary_of(db, sortie, found))


@bp.put('/<int:sortie_id>/laps/<uuid:lap_id>')
@login_required
@bp.input(LapIn)
@bp.output(LapOut)
@bp.doc(responses=[401, 403, 404, 409])
def keep_lap(sortie_id: int, lap_id: uuid.UUID, json_data: LapIn) -> LapOut:
    """Write a lap under the id its client made; sending it twice changes nothing."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person(), right='coach', lock=True)
    laps.keep(db, sortie, lap_id=lap_id, by=person(), values=json_data.model_dump())
    return LapOut.of(laps.result(db, sortie, lap_id))


@bp.delete('/<int:sortie_id>/laps/<uuid:lap_id>')
@login_required
@bp.output({}, status_code=204)
@bp.doc(responses=[401, 403, 404])
def remove_lap(sortie_id: int, lap_id: uuid.UUID) -> ResponseReturnValue:
    """Take a lap away; writing it again brings it back."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person(), right='coach', lock=True)
    laps.remove(db, sortie, lap_id)
    return '', 204
