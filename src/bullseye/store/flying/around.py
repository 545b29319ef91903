"""The rest of each lap: what a recorded flight measured of it, what it was worked out to be, and how it was flown."""

from __future__ import annotations

import uuid
from collections.abc import Mapping, Sequence
from contextlib import suppress
from dataclasses import replace
from typing import Any, TypedDict, cast

from pydantic import TypeAdapter
from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.basis.kinds import Outcome, TakeoffKind
from bullseye.core.brief.ground import go_around_point_ft
from bullseye.core.brief.plan import Plan
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import landing_setup
from bullseye.core.brief.workedout import work_out
from bullseye.core.explain.around import AroundJudged, judge_around
from bullseye.core.fly.pattern import PatternChoice
from bullseye.core.measure.around import Around, Beyond, GateFlown, LowFlight, WindAloft, WorkedOut
from bullseye.core.measure.noted import Noted, WentAround
from bullseye.core.measure.readings import BY_HAND
from bullseye.store.errors import UNREADABLE
from bullseye.store.flying.lapwind import wind_of
from bullseye.store.rows.equipment import Airfield, RunwayEnd
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.tracks.events import Event, FlightReport
from bullseye.tracks.events import Lap as TrackLap
from bullseye.words.language import remembered

_AROUND = TypeAdapter(Around)
_NOTED = TypeAdapter(Noted)
_CHOICE = TypeAdapter(PatternChoice)
_WIND_NEAR_S = 900.0  # [own] within which a wind is still that of a lap
_TOUCH_AND_GO_S = 90.0  # from the touch to the lift-off at most [own]
_worked_out = remembered(2_000)(work_out)


def plain_around(report: FlightReport, end: int) -> dict[str, Any] | None:
    """What a recorded flight tells of the lap that one of its events ended, as a row keeps it; None of none."""
    around = around_of(report, end)
    if around is None:
        return None
    found: dict[str, Any] = _AROUND.dump_python(around, mode='json', exclude_none=True)
    return found


def around_of(report: FlightReport, end: int) -> Around | None:
    """What a recorded flight tells of the lap that one of its events ended; None of none."""
    lap = next((one for one in report.laps if one.end == end), None)
    if lap is None:
        return None
    takeoff = None if lap.takeoff is None else report.events[lap.takeoff]
    from_rest = takeoff is not None and not _rolled_on(report, takeoff)
    final = report.events[end].final
    return Around(
        liftoff_ft=takeoff.liftoff_roll_ft if takeoff is not None and from_rest else None,
        liftoff_half_ft=takeoff.uncertainty_ft if takeoff is not None and from_rest else None,
        takeoff_lateral_ft=None if takeoff is None else takeoff.lateral_ft,
        climb_groundspeed_kt=lap.climb_groundspeed_kt,
        first_turn_height_ft=lap.first_turn_height_ft,
        pattern_height_error_ft=lap.pattern_height_error_ft,
        downwind_groundspeed_kt=lap.downwind_groundspeed_kt,
        downwind_off_deg=lap.downwind_off_deg,
        spacing_ft=lap.spacing_ft,
        most_bank_deg=max((turn.most_bank_deg for turn in lap.turns), default=None),
        overshoot_ft=lap.overshoot_ft,
        gates=tuple(
            GateFlown(
                height_ft=gate.height_ft,
                lateral_ft=gate.lateral_ft,
                groundspeed_kt=gate.groundspeed_kt,
                above_path_ft=gate.above_path_ft,
            )
            for gate in lap.gates
        ),
        rollout_ft=report.events[end].rollout_ft,
        threshold_groundspeed_kt=final.threshold_groundspeed_kt if final.threshold_airspeed_kt is None else None,
        threshold_height_ft=final.threshold_height_ft,
        wind=_wind_by_turns(report, lap),
        low=_low(report, lap),
    )


def _low(report: FlightReport, lap: TrackLap) -> LowFlight | None:
    if lap.low_pass is None:
        return None
    return LowFlight(
        height_range_ft=lap.low_pass.height_range_ft,
        height_range_half_ft=lap.low_pass.height_range_uncertainty_ft,
        lowest_ft=report.events[lap.end].lowest_ft,
    )


def _wind_by_turns(report: FlightReport, lap: TrackLap) -> WindAloft | None:
    """The wind that the turns nearest in time to the end of a lap showed, the surest of them; None of none near it."""
    near = [
        (max(one.from_s - lap.to_s, lap.to_s - one.to_s, 0.0), one.uncertainty_kt, one)
        for one in report.wind
        if one.from_s - _WIND_NEAR_S <= lap.to_s <= one.to_s + _WIND_NEAR_S
    ]
    if not near:
        return None
    found = min(near, key=lambda one: one[:2])[2]
    return WindAloft(from_deg_true=found.from_deg_true, speed_kt=found.speed_kt, half_kt=found.uncertainty_kt)


def _rolled_on(report: FlightReport, takeoff: Event) -> bool:
    """Whether a takeoff followed a touch without a stop: its roll says nothing of one that is worked out from rest."""
    before = [one for one in report.events if one.kind == 'touchdown' and one.time_s < takeoff.time_s]
    return bool(before) and before[-1].then == 'touch_and_go' and takeoff.time_s - before[-1].time_s < _TOUCH_AND_GO_S


def measured_of(lap: Lap) -> Around | None:
    """What was measured of the rest of a lap, with the lift-off that was noted; None of nothing."""
    around = None if lap.around is None else _AROUND.validate_python(lap.around)
    called = noted_of(lap)
    if called is not None:
        around = _as_called(around, called, lap)
    if lap.liftoff_ft is not None and (around is None or around.liftoff_ft is None):
        return replace(around or Around(), liftoff_ft=lap.liftoff_ft)
    return around


def noted_of(lap: Lap) -> Noted | None:
    """What was called of a lap beside its marks; None of nothing."""
    return None if lap.noted is None else _NOTED.validate_python(lap.noted)


def _as_called(around: Around | None, called: Noted, lap: Lap) -> Around | None:
    """The rest of a lap with what was read at the gate and where it stopped, where no track has measured that."""
    found: dict[str, float] = {}
    if called.gate_speed_kias is not None:
        found['gate_speed_kias'] = called.gate_speed_kias
    if called.gate_height_off_ft is not None:
        found['gate_height_off_ft'] = called.gate_height_off_ft
    rolled_ft = None if called.stop_ft is None or lap.along_ft is None else called.stop_ft - lap.along_ft
    if rolled_ft is not None and rolled_ft > 0 and (around is None or around.rollout_ft is None):
        found['rollout_ft'] = rolled_ft
    return replace(around or Around(), **found) if found else around  # type: ignore[arg-type]


def beyond_of(lap: Lap, request: BriefRequest) -> Beyond | None:
    """How far behind the go-around point of its brief a lap touched; None where that is not known."""
    if lap.along_ft is None:
        return None
    box_to_ft = request.spot_ft + request.tolerance.window_ft[1]
    point_ft = _point_ft(request, box_to_ft)
    how = (lap.known_by or {}).get('along_ft', 'tapped')
    half_ft = (lap.readings or {}).get('along_ft', {}).get(how, {}).get('half_width')
    return Beyond(feet=lap.along_ft - point_ft, half_ft=BY_HAND['along_ft'] if half_ft is None else half_ft)


@remembered(2_000)
def _point_ft(request: BriefRequest, box_to_ft: float) -> float:
    return go_around_point_ft(request, landing_setup(request), box_to_ft=box_to_ft)


def plans_of(db: Session, laps: Sequence[Lap]) -> dict[uuid.UUID, Plan]:
    """What takeoff and pattern of laps were planned as."""
    if not laps:
        return {}
    sorties = {
        row.id: row
        for row in db.execute(
            select(Sortie.id, Sortie.takeoff, Sortie.pattern).where(Sortie.id.in_({lap.sortie_id for lap in laps}))
        )
    }
    fields = {
        row.id: row
        for row in db.execute(
            select(RunwayEnd.id, RunwayEnd.threshold_lat_deg, Airfield.pattern_altitude_ft)
            .join(Airfield, Airfield.id == RunwayEnd.airfield_id)
            .where(RunwayEnd.id.in_({lap.runway_end_id for lap in laps}))
        )
    }
    found = {}
    for lap in laps:
        sortie, field = sorties[lap.sortie_id], fields[lap.runway_end_id]
        choice = _CHOICE.validate_python(sortie.pattern or {})
        if choice.altitude_ft is None:
            choice = replace(choice, altitude_ft=field.pattern_altitude_ft)
        found[lap.id] = Plan(
            takeoff=cast(TakeoffKind, sortie.takeoff), pattern=choice, is_northern=field.threshold_lat_deg >= 0
        )
    return found


def worked_out(lap: Lap, request: BriefRequest, plan: Plan) -> WorkedOut:
    """What the rest of a lap was worked out to be in its wind; nothing where that fails, which stops no lap."""
    with suppress(*UNREADABLE):
        return _worked_out(request, plan, wind_of(lap, request))
    return WorkedOut()


class Called(TypedDict):
    """What was called of a lap, as it is judged by."""

    slight: frozenset[str]
    went_around: WentAround | None


def called_of(lap: Lap) -> Called:
    """Which marks were slight, and how a go-around was seen."""
    noted = noted_of(lap)
    if noted is None:
        return Called(slight=frozenset(), went_around=None)
    return Called(slight=frozenset(noted.slight), went_around=noted.went_around)


def judged_of(
    db: Session, laps: Sequence[Lap], requests: Mapping[uuid.UUID, BriefRequest]
) -> dict[uuid.UUID, AroundJudged]:
    """The rest of laps, judged by the standard each was flown under."""
    measured = {lap.id: measured_of(lap) for lap in laps if lap.id in requests}
    plans = plans_of(db, [lap for lap in laps if measured.get(lap.id) is not None])
    found = {}
    for lap in laps:
        request = requests.get(lap.id)
        if request is None:
            continue
        plan = plans.get(lap.id)
        found[lap.id] = judge_around(
            measured[lap.id],
            WorkedOut() if plan is None else worked_out(lap, request, plan),
            standard=request.standard,
            landing=request.landing,
            outcome=cast(Outcome, lap.outcome),
            marks=frozenset(lap.marks),
            **called_of(lap),
            beyond=beyond_of(lap, request),
        )
    return found
