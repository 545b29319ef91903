"""Reading a report, and ranking the runways of a field by it."""

from __future__ import annotations

from datetime import UTC, datetime
from typing import Literal

from apiflask import APIBlueprint
from flask_login import login_required

from bullseye.api.context import database, person
from bullseye.api.schema import Id, In, Out, ReportText
from bullseye.core.air.wind import magnetic_from_true_deg
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import LandingKind, SurfaceState, TakeoffKind
from bullseye.core.basis.limits import GustKt, QnhHpa, SpotFt, TemperatureC, WeightLb, WindKt
from bullseye.core.basis.quantity import Degrees, Moment
from bullseye.core.brief.ranking import RankedEnd
from bullseye.core.exchange.metar import Report, read_metar
from bullseye.store.equipment import catalogue
from bullseye.store.flying import ranking, stations
from bullseye.store.people.roles import require_coach
from bullseye.store.rows.equipment import Airfield

bp = APIBlueprint('weather', __name__, url_prefix='/api/airfields', tag='Weather')


class MetarIn(In):
    """The text of a report."""

    text: ReportText


class MetarOut(Out):
    """What the report says; the wind also by its magnetic direction at this field, as the tower would give it."""

    report: Report
    wind_dir_deg_mag: float | None


class RankingIn(In):
    """For whom, in what, and in which wind."""

    aircraft_id: Id
    student_id: Id | None = None
    wind_kt: WindKt | None = None  # null: nobody has given it
    wind_dir_deg_mag: Degrees | None = None
    wind_dir_deg_true: Degrees | None = None
    gust_kt: GustKt | None = None
    temperature_c: TemperatureC = 15.0
    qnh_hpa: QnhHpa = 1_013.25
    surface_state: SurfaceState = 'dry'
    alone: bool = False
    metar: ReportText | None = None
    wind_source: Literal['hand', 'report', 'sock'] = 'hand'
    weight_lb: WeightLb | None = None
    takeoff: TakeoffKind = 'normal'
    landing: LandingKind = 'normal'
    standard_id: Id | None = None
    technique_id: Id | None = None
    spot_ft: SpotFt | None = None
    at: Moment | None = None  # when it is flown, for the sun; else now


class RankingOut(Out):
    """Runway ends, best first."""

    ends: list[RankedEnd]


@bp.post('/<int:airfield_id>/metar')
@login_required
@bp.input(MetarIn)
@bp.output(MetarOut)
@bp.doc(responses=[401, 404])
def read_report(airfield_id: int, json_data: MetarIn) -> MetarOut:
    """Read a METAR for a field."""
    field = catalogue.airfield(database(), airfield_id)
    report, magnetic = _read(field, json_data.text)
    return MetarOut(report=report, wind_dir_deg_mag=magnetic)


class StationOut(Out):
    """What the weather station of a field reports now; no report when no station is named."""

    has_station: bool
    text: str | None
    report: Report | None
    wind_dir_deg_mag: float | None
    problem: str | None


@bp.get('/<int:airfield_id>/station')
@login_required
@bp.output(StationOut)
@bp.doc(responses=[401, 404])
def ask_station(airfield_id: int) -> StationOut:
    """Ask the weather station that the operator named; a silent one is said, not an error."""
    field = catalogue.airfield(database(), airfield_id)
    text, report, magnetic, problem = None, None, None, None
    try:
        text = stations.latest(field.ident)
        if text is not None:
            report, magnetic = _read(field, text)
    except (stations.NoReport, InvalidInput) as error:
        problem = str(error)
    return StationOut(
        has_station=stations.station_address() is not None,
        text=text,
        report=report,
        wind_dir_deg_mag=magnetic,
        problem=problem,
    )


def _read(field: Airfield, text: str) -> tuple[Report, float | None]:
    report = read_metar(text, now=datetime.now(UTC), station=field.ident)
    variation = catalogue.runway_of(field.ends[0]).magnetic_variation_deg
    true = report.wind_dir_deg_true
    return report, None if true is None else magnetic_from_true_deg(true_deg=true, variation_deg=variation)


@bp.post('/<int:airfield_id>/ranking')
@login_required
@bp.input(RankingIn)
@bp.output(RankingOut)
@bp.doc(responses=[401, 403, 404])
def rank_runways(airfield_id: int, json_data: RankingIn) -> RankingOut:
    """Rank the ends of a field, best first, each with its reasons."""
    require_coach(person())
    choices = json_data.model_dump()
    at = json_data.at or datetime.now(UTC)
    return RankingOut(ends=list(ranking.rank(database(), airfield_id, by=person(), now=at, choices=choices)))
