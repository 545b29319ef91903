"""What each lap shows: measured values, score and explanation, from its stored inputs."""

from __future__ import annotations

import logging
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any, get_args

from pydantic import TypeAdapter
from sqlalchemy.orm import Session

from bullseye.core.basis.kinds import NOT_LANDED, Going, LapMark
from bullseye.core.brief.landing import BriefAnswer
from bullseye.core.brief.request import BriefRequest
from bullseye.core.explain.around import AroundJudged
from bullseye.core.explain.diagnosis import Diagnosis, diagnose
from bullseye.core.explain.scoring import Score, score_lap
from bullseye.core.explain.summary import Summary, summarise
from bullseye.core.measure.around import LowFlight
from bullseye.core.measure.lap import HeightRange, MeasuredLap
from bullseye.core.measure.readings import Measure
from bullseye.store.errors import UNREADABLE
from bullseye.store.flying.around import judged_of
from bullseye.store.flying.lapwind import wind_of
from bullseye.store.flying.requests import brief_of, flown_requests, live_request
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.words.language import remembered

_log = logging.getLogger(__name__)
MEASURED = (
    'outcome',
    'along_ft',
    'lateral_ft',
    'threshold_speed_kias',
    'float_s',
    'aim_flown_ft',
    'drift',
    'bounced',
    'ballooned',
)
_MARKS = frozenset(get_args(LapMark))
_MEASURED_LAP = TypeAdapter(MeasuredLap)
_LOW = TypeAdapter(LowFlight)
_CLEAR_FT = 4.0  # [own] of the wheels as a track tells them, from which they surely did not touch


@dataclass(frozen=True, slots=True, kw_only=True)
class LapResult:
    """One lap with what it was flown by, its score and its explanation."""

    lap: Lap
    number: int
    request: BriefRequest
    brief: BriefAnswer
    score: Score
    diagnosis: Diagnosis
    around: AroundJudged


def measured_of(lap: Lap, request: BriefRequest) -> MeasuredLap:
    """The core's measured lap of a row; its own wind, where it has one, is resolved on the runway."""
    seen: dict[str, Any] = {name: getattr(lap, name) for name in MEASURED}
    wind = wind_of(lap, request)
    if wind is not None and wind.is_of_this_lap:
        seen |= {'headwind_kt': wind.headwind_kt, 'headwind_by': wind.by}
    return _MEASURED_LAP.validate_python({**seen, **_of_drill(lap), 'going': _going(lap), 'marks': _marks(lap)})


def _of_drill(lap: Lap) -> dict[str, Any]:
    """What was marked of a drill. Of one that was timed, or placed over the runway, what was not marked was not so."""
    if lap.outcome == 'drill':
        timed = False if _is_noted(lap, 'float_s') else None
        return {'sank_through': True if 'sank_through' in lap.marks else timed}
    if lap.outcome == 'low_approach':
        placed = _is_noted(lap, 'lateral_ft')
        low = _low_flight(lap)
        dry = False if placed or (low is not None and low.lowest_ft is not None and low.lowest_ft > _CLEAR_FT) else None
        kept = False if 'height_not_kept' in lap.marks else True if placed else None
        found: dict[str, Any] = {'touched': True if 'touched_runway' in lap.marks else dry, 'height_kept': kept}
        if low is not None:
            found['height_range'] = HeightRange(feet=low.height_range_ft, half_ft=low.height_range_half_ft)
        return found
    return {}


def _is_noted(lap: Lap, measure: Measure) -> bool:
    """Whether a person has noted a value of a lap, who then marked what else there was to be seen."""
    return any(how != 'tracked' for how in (lap.readings or {}).get(measure, {})) or (
        getattr(lap, measure) is not None and (lap.known_by or {}).get(measure) != 'tracked'
    )


def _low_flight(lap: Lap) -> LowFlight | None:
    kept = (lap.around or {}).get('low')
    return None if kept is None else _LOW.validate_python(kept)


def _marks(lap: Lap) -> tuple[str, ...]:
    """Marks that still are marks of a lap; one of an older version tells nothing."""
    return tuple(one for one in lap.marks or () if one in _MARKS)


def _going(lap: Lap) -> Going | None:
    """Where a go-around was going to land, as it was marked; None of both at once, which tells nothing."""
    if lap.outcome != 'go_around':
        return None
    long, short = 'going_long' in lap.marks, 'going_short' in lap.marks
    return None if long == short else 'long' if long else 'short'


def results_of(db: Session, laps: Sequence[Lap]) -> list[LapResult | None]:
    """Score and explain laps from their stored inputs; None for one that cannot be read, which stops no other."""
    requests = flown_requests(db, laps)
    around = judged_of(db, laps, requests)
    found: list[LapResult | None] = []
    for number, lap in enumerate(laps, start=1):
        result = None
        try:
            brief, score, diagnosis = _judged(requests[lap.id], measured_of(lap, requests[lap.id]))
            result = LapResult(
                lap=lap,
                number=number,
                request=requests[lap.id],
                brief=brief,
                score=score,
                diagnosis=diagnosis,
                around=around[lap.id],
            )
        except (KeyError, *UNREADABLE):
            _log.exception('lap %s of school %s cannot be read', lap.id, lap.school_id)
        found.append(result)
    return found


@remembered(2_000)
def _judged(request: BriefRequest, measured: MeasuredLap) -> tuple[BriefAnswer, Score, Diagnosis]:
    """Judge a lap from its inputs: laps are read far more often than they change."""
    brief = brief_of(request)
    return (
        brief,
        score_lap(measured, brief=brief, tolerance=request.tolerance, weights=request.standard.weights),
        diagnose(measured, request=request, brief=brief),
    )


def summary_of(db: Session, sortie: Sortie, results: Sequence[LapResult]) -> Summary:
    """The laps of a sortie together, and the one change that follows for the next."""
    brief = brief_of(live_request(db, sortie)) if results else None
    laps = [(r.score, r.diagnosis, r.lap.outcome in NOT_LANDED) for r in results if not r.lap.excluded]
    if brief is None:
        return summarise(laps)
    chances = [r.brief.aim.hit_chance for r in results if not r.lap.excluded]
    return summarise(laps, next_aim_ft=brief.aim.aim_point_ft, next_spot_ft=brief.aim.spot_ft, chances=chances)
