"""Laps of a sortie: write once under the client's id, read with score and explanation."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from typing import Annotated, Literal

from apiflask import APIBlueprint
from flask_login import login_required
from pydantic import AwareDatetime, Field
from sqlalchemy.orm import Session

from bullseye.api.context import database, person
from bullseye.api.schema import Id, In, Note, Out
from bullseye.core.air.wind import shown_magnetic_deg
from bullseye.core.basis.kinds import DriftSide, Excluded, FlownBy, LandingKind, LapMark, Outcome
from bullseye.core.basis.limits import AimFt, AlongFt, FloatS, GustKt, LateralFt, RollFt, SpeedKias, SpotFt, WindKt
from bullseye.core.basis.quantity import ClockReading, Degrees, Real
from bullseye.core.brief.request import RefusedRequest
from bullseye.core.explain.around import AroundJudged
from bullseye.core.explain.diagnosis import Diagnosis
from bullseye.core.explain.scoring import Score
from bullseye.core.explain.summary import Summary
from bullseye.core.measure.noted import Noted
from bullseye.core.measure.readings import Measure, Reading
from bullseye.store.errors import Conflict
from bullseye.store.flying import correcting, laps, sorties
from bullseye.store.flying.around import noted_of
from bullseye.store.flying.judging import MEASURED, LapResult, summary_of
from bullseye.store.rows.flying import LapRevision, Sortie

bp = APIBlueprint('laps', __name__, url_prefix='/api/sorties', tag='Laps')
KnownBy = Literal['tapped', 'timed', 'read', 'seen', 'tracked', 'corrected']


class LapIn(In):
    """One lap as measured; null is unknown.

    ``aim_point_ft`` only when it was not the one worked out; ``landing``, ``spot_ft`` and ``runway_end_id`` only when
    not the sortie's.
    """

    outcome: Outcome
    flown_at: ClockReading | None = None
    along_ft: AlongFt | None = None
    lateral_ft: LateralFt | None = None
    threshold_speed_kias: SpeedKias | None = None
    float_s: FloatS | None = None
    drift: DriftSide | None = None
    bounced: bool | None = None
    ballooned: bool | None = None
    wind_dir_deg_mag: Degrees | None = None
    wind_kt: WindKt | None = None
    gust_kt: GustKt | None = None
    aim_point_ft: AimFt | None = None
    marks: Annotated[list[LapMark], Field(max_length=30)] = Field(default_factory=list)
    noted: Noted | None = None  # how grave they were, the go-around, gate speed, where it stopped
    note: Note | None = None
    excluded: Excluded | None = None
    flown_by: FlownBy | None = None
    alone: bool | None = None  # null: as the sortie is flown
    landing: LandingKind | None = None
    runway_end_id: Id | None = None
    spot_ft: SpotFt | None = None
    liftoff_ft: RollFt | None = None
    # as a lap was shown: how the aim that was flown is known comes back with it and is left as it is kept
    known_by: dict[Literal[Measure, 'drift', 'bounced', 'wind_kt'], KnownBy] = Field(default_factory=dict)


class WriterIn(In):
    """The device that writes, for changes that may come twice, late or out of order."""

    device: uuid.UUID
    number: Annotated[int, Field(strict=True, ge=1, le=2**31 - 1)]
    had_revision: Annotated[int, Field(strict=True, ge=0, le=2**31 - 1)] | None = None
    sent_at: ClockReading | None = None

    def writer(self) -> laps.Writer:
        """As the store takes it."""
        return laps.Writer(device=self.device, number=self.number, had_revision=self.had_revision, sent_at=self.sent_at)


class SentChange(In):
    """One lap as a device sends it after a time without a network; ``lap`` null takes it away."""

    lap_id: uuid.UUID
    lap: LapIn | None
    writer: WriterIn


class SentChanges(In):
    """Laps that waited on a device, in the order they were changed."""

    changes: Annotated[list[SentChange], Field(min_length=1, max_length=50)]


class Refusal(Out):
    """Why one lap was not taken, and which of its fields are wrong."""

    message: str
    fields: dict[str, str]


class SentResult(Out):
    """What became of one change: the lap's revision now, null when it is gone; or why it was refused."""

    lap_id: uuid.UUID
    revision: int | None
    refused: Refusal | None


class SentResults(Out):
    """What became of each change, in the order sent."""

    results: list[SentResult]


class ReadingIn(In):
    """A value of a lap as the instructor says it was; null: as it was read otherwise."""

    measure: Measure
    value: Real | None
    seen: Real | None = None  # the value that was shown when it was corrected; it is asked only where it is given


class OtherVersion(Out):
    """A version of a lap that another device's edit covered."""

    revision: int
    kept_at: AwareDatetime
    outcome: Outcome
    along_ft: float | None
    lateral_ft: float | None
    threshold_speed_kias: float | None
    float_s: float | None
    marks: list[LapMark]
    note: str | None


class LapRead(Out):
    """What was seen of a lap, and how it was known."""

    outcome: Outcome
    along_ft: float | None
    lateral_ft: float | None
    threshold_speed_kias: float | None
    float_s: float | None
    aim_flown_ft: float | None  # as a track measured it
    liftoff_ft: float | None
    drift: DriftSide | None
    bounced: bool | None
    ballooned: bool | None
    marks: list[LapMark]
    noted: Noted | None
    note: str | None
    known_by: dict[str, KnownBy]
    readings: dict[str, dict[KnownBy, Reading]]
    track_file_id: uuid.UUID | None
    track_event: int | None


class LapCircumstances(Out):
    """Which lap it was, when, where and by whom it was flown, and its wind."""

    id: uuid.UUID
    number: int
    flown_at: AwareDatetime
    landing: LandingKind
    runway_end_id: int
    runway_ident: str
    flown_by: FlownBy | None
    alone: bool
    wind_dir_deg_true: float | None
    wind_dir_deg_mag: float | None  # by the compass at its runway
    wind_kt: float | None
    gust_kt: float | None


class LapOut(LapRead, LapCircumstances):
    """One lap with its score and why it landed there."""

    excluded: Excluded | None
    revision: int
    other_versions: list[OtherVersion]
    model_version: str
    aim_point_ft: float
    aim_is_good: bool  # as it was briefed: else no aim point was good, and this one only what was worked out
    recommended_aim_point_ft: float
    approach_speed_kias: float
    spot_ft: float
    box_ft: tuple[float, float]
    target_ft: float
    score: Score
    diagnosis: Diagnosis
    around: AroundJudged

    @classmethod
    def of(cls, result: LapResult, others: Sequence[LapRevision] = ()) -> LapOut:
        """Reply for a lap with its result."""
        lap, brief, runway = result.lap, result.brief, result.request.runway
        of_lap = (
            *('id', 'flown_at', *MEASURED, 'wind_dir_deg_true', 'wind_kt', 'gust_kt', 'known_by', 'model_version'),
            *('marks', 'note', 'excluded', 'flown_by', 'landing', 'runway_end_id', 'liftoff_ft', 'revision'),
            *('readings', 'track_file_id', 'track_event'),
        )
        of_aim = ('aim_point_ft', 'aim_is_good', 'recommended_aim_point_ft', 'spot_ft', 'box_ft', 'target_ft')
        return cls.model_validate(
            {
                **{name: getattr(lap, name) for name in of_lap},
                **{name: getattr(brief.aim, name) for name in of_aim},
                'approach_speed_kias': brief.speed.approach_speed_kias,
                'number': result.number,
                'alone': result.request.alone,
                'noted': noted_of(lap),
                'runway_ident': runway.ident,
                'wind_dir_deg_mag': shown_magnetic_deg(
                    lap.wind_dir_deg_true, variation_deg=runway.magnetic_variation_deg
                ),
                'other_versions': [{**one.values, 'revision': one.revision, 'kept_at': one.kept_at} for one in others],
                'score': result.score,
                'diagnosis': result.diagnosis,
                'around': result.around,
            }
        )


class LapsOut(Out):
    """All laps of a sortie, and what they show batch; ``unreadable`` are kept but cannot be judged."""

    laps: list[LapOut]
    unreadable: list[uuid.UUID]
    summary: Summary


@bp.get('/<int:sortie_id>/laps')
@login_required
@bp.output(LapsOut)
@bp.doc(responses=[401, 404])
def list_laps(sortie_id: int) -> LapsOut:
    """List the laps of a sortie in the order flown."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person())
    found, unreadable = laps.results(db, sortie)
    others = laps.other_versions(db, [one.lap for one in found])
    return LapsOut(
        laps=[LapOut.of(one, others.get(one.lap.id, ())) for one in found],
        unreadable=unreadable,
        summary=summary_of(db, sortie, found),
    )


@bp.post('/<int:sortie_id>/laps/<uuid:lap_id>/reading')
@login_required
@bp.input(ReadingIn)
@bp.output(LapOut)
@bp.doc(responses=[401, 403, 404, 409, 422])
def correct_reading(sortie_id: int, lap_id: uuid.UUID, json_data: ReadingIn) -> LapOut:
    """Overrule what was tapped or measured of a lap, or take that back; all readings are kept."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person(), right='coach', lock=True)
    given = json_data.model_dump()
    correcting.correct(db, sortie, lap_id, by=person(), **given)
    found = laps.result(db, sortie, lap_id)
    return LapOut.of(found, laps.other_versions(db, [found.lap]).get(lap_id, ()))


@bp.post('/<int:sortie_id>/laps/sent')
@login_required
@bp.input(SentChanges)
@bp.output(SentResults)
@bp.doc(responses=[401, 403, 404])
def take_sent_laps(sortie_id: int, json_data: SentChanges) -> SentResults:
    """Take laps that waited on a device; each stands alone, and sending any of them again changes nothing."""
    db = database()
    sortie = sorties.find(db, sortie_id, person=person(), right='coach', lock=True, removed_too=True)
    batch = laps.LapBatch.of(db, [change.lap_id for change in json_data.changes])
    results = []
    for change in json_data.changes:
        revision = refused = None
        try:
            with batch.one(db, change.lap_id):
                revision = _take(db, sortie, change, batch)
            if change.lap is not None:
                sorties.fly_after_all(sortie)
        except (RefusedRequest, Conflict) as error:
            fields = error.errors if isinstance(error, RefusedRequest) else {}
            refused = Refusal(message='; '.join(fields.values()) or str(error), fields=fields)
        results.append(SentResult(lap_id=change.lap_id, revision=revision, refused=refused))
    db.commit()
    return SentResults(results=results)


def _take(db: Session, sortie: Sortie, change: SentChange, batch: laps.LapBatch) -> int | None:
    """Take one change; the lap's revision, None when it is taken away."""
    writer = change.writer.writer()
    if change.lap is None:
        correcting.remove(db, sortie, change.lap_id, by=person(), writer=writer, batch=batch)
        return None
    values = change.lap.model_dump()
    return laps.keep(db, sortie, lap_id=change.lap_id, by=person(), values=values, writer=writer, batch=batch)
