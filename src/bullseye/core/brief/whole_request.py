"""The request of a whole brief: the landing's, with METAR, field, time, takeoff and pattern."""

from __future__ import annotations

from collections.abc import Mapping
from contextlib import suppress
from dataclasses import replace
from datetime import UTC, datetime
from functools import cache
from typing import Any, get_args

from pydantic import TypeAdapter, ValidationError

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import TakeoffKind
from bullseye.core.basis.quantity import kept_moment
from bullseye.core.basis.refusal import missing, missing_in_report, refused
from bullseye.core.brief.ends import ranking_of
from bullseye.core.brief.lapplan import LessonTime
from bullseye.core.brief.plan import Plan
from bullseye.core.brief.request import BriefRequest, RefusedRequest, messages, parse_request
from bullseye.core.exchange.geojson import airfield_from_geojson, is_geojson
from bullseye.core.exchange.metar import Report, read_metar
from bullseye.core.fly.pattern import PatternChoice
from bullseye.core.given.aircraft import Aircraft
from bullseye.core.given.airfield import Airfield

# [own]
_TEXT_LIMIT = 1_000
_CALLSIGN_LIMIT = 40
_MORE = ('metar', 'airfield', 'time_utc', 'takeoff', 'pattern', 'lesson', 'callsign')


@cache
def _choice_adapter() -> TypeAdapter[PatternChoice]:
    return TypeAdapter(PatternChoice)


@cache
def _lesson_adapter() -> TypeAdapter[LessonTime]:
    return TypeAdapter(LessonTime)


@cache
def _airfield_adapter() -> TypeAdapter[Airfield]:
    return TypeAdapter(Airfield)


class _Errors(dict[str, str]):
    """Messages by field; the first of each stays."""

    def of(self, field: str, call: Any) -> Any:
        """What a call returns; None, and its message kept, when it is refused."""
        try:
            return call()
        except InvalidInput as error:
            name = field if error.field == field else f'{field}.{error.field}'
            self.setdefault(name, str(error))
        except ValidationError as error:
            for path, text in messages(error).items():
                self.setdefault(f'{field}.{path}', text)
        return None


def _time(value: object) -> datetime:
    if isinstance(value, str) and len(value) < 40:
        with suppress(ValueError):
            found = datetime.fromisoformat(value)
            return kept_moment(found.replace(tzinfo=UTC) if found.tzinfo is None else found)
    raise InvalidInput('time_utc', value, 'an ISO 8601 time of the years 2000 to 2099, such as 2026-11-25T14:00:00Z')


def _airfield(value: object, at: datetime) -> Airfield:
    if is_geojson(value):
        return airfield_from_geojson(value, on=at.date())  # type: ignore[arg-type]
    return _airfield_adapter().validate_python(value)


def _weather(given: object, report: Report | None) -> object:
    """The weather as given, what it leaves out filled from the METAR; a wind that is given wins whole."""
    if report is None or not (given is None or isinstance(given, Mapping)):
        return given
    found = dict(given or {})
    if (
        not {'wind_kt', 'wind_dir_deg_true', 'wind_dir_deg_mag', 'gust_kt'} & found.keys()
        and report.wind_kt is not None
    ):
        found |= {
            'wind_kt': report.wind_kt,
            'wind_dir_deg_true': report.wind_dir_deg_true,
            'gust_kt': report.gust_kt,
            'wind_range_from_deg_true': report.wind_range_from_deg_true,
            'wind_range_to_deg_true': report.wind_range_to_deg_true,
        }
    for field in ('temperature_c', 'qnh_hpa', 'visibility_m', 'ceiling_ft'):
        value = getattr(report, field)
        if value is not None:
            found.setdefault(field, value)
    return {'hazards': report.hazards, 'later': report.later, **found}


def _lesson(more: Mapping[str, Any], errors: _Errors) -> tuple[LessonTime, str | None, TakeoffKind]:
    lesson = LessonTime()
    if 'lesson' in more:
        lesson = errors.of('lesson', lambda: _lesson_adapter().validate_python(more['lesson'])) or lesson
    callsign = more.get('callsign')
    if callsign is not None and not (isinstance(callsign, str) and 0 < len(callsign) <= _CALLSIGN_LIMIT):
        errors['callsign'] = refused('callsign', callsign, f'1 to {_CALLSIGN_LIMIT} characters')
    takeoff = more.get('takeoff', 'normal')
    if takeoff not in get_args(TakeoffKind):
        errors['takeoff'] = refused('takeoff', takeoff, ', '.join(get_args(TakeoffKind)))
    return lesson, callsign, takeoff


def parse_whole_request(
    data: object, *, aircraft_by_name: Mapping[str, Aircraft], now: datetime
) -> tuple[BriefRequest, Plan, Report | None]:
    """Read a whole request from plain data.

    Without ``runway`` the best end of the field is taken; ``runway`` may also be the ident of one of its ends.

    :raises RefusedRequest: with a message for each wrong field
    """
    if not isinstance(data, dict):
        raise RefusedRequest({'request': 'the request is not an object'})
    landing = {k: v for k, v in data.items() if k not in _MORE}
    more = {k: v for k, v in data.items() if k in _MORE and v is not None}
    errors = _Errors()
    at = errors.of('time_utc', lambda: _time(more['time_utc'])) if 'time_utc' in more else None
    field = errors.of('airfield', lambda: _airfield(more['airfield'], at or now)) if 'airfield' in more else None
    report = None
    if 'metar' in more:
        text = more['metar']
        station = field.ident if field else None
        if isinstance(text, str) and len(text) < _TEXT_LIMIT:
            report = errors.of('metar', lambda: read_metar(text, now=at or now, station=station))
        else:
            errors['metar'] = refused('metar', text, 'the text of a METAR')
    choice = PatternChoice()
    if 'pattern' in more:
        choice = errors.of('pattern', lambda: _choice_adapter().validate_python(more['pattern'])) or choice
    lesson, callsign, takeoff = _lesson(more, errors)
    landing['weather'] = _weather(landing.get('weather'), report)
    if report is not None and report.surface_state is not None:
        landing.setdefault('surface_state', report.surface_state)
    choose = field if 'runway' not in landing else None  # the field to choose an end of
    if choose is not None:
        landing['runway'] = choose.ends[0]
    elif isinstance(landing.get('runway'), str):
        ident = landing['runway']
        if field is None:
            errors['runway'] = refused('runway', ident, 'an object, or with an airfield the name of one of its ends')
            landing.pop('runway')
        else:
            landing['runway'] = errors.of('runway', lambda: field.end(ident)) or field.ends[0]
    if errors:
        _all_wrong(landing, errors, aircraft_by_name)
    request = _parsed(landing, aircraft_by_name, report)
    plan = Plan(
        takeoff=takeoff,
        pattern=choice,
        airfield=field,
        at=at or (now if field is not None else None),
        is_northern=field is None or field.latitude_deg >= 0,
        lesson=lesson,
        field_name=field.name if field else None,
        callsign=callsign,
    )
    if choose is not None:
        request = replace(request, runway=choose.end(ranking_of(request, plan)[0].ident))
    return request, plan, report


def _parsed(landing: dict[str, Any], aircraft: Mapping[str, Aircraft], report: Report | None) -> BriefRequest:
    try:
        return parse_request(landing, aircraft_by_name=aircraft)
    except RefusedRequest as error:
        if report is None:
            raise
        said = {path: missing_in_report(path) if text == missing(path) else text for path, text in error.errors.items()}
        raise RefusedRequest(said) from None


def _all_wrong(landing: dict[str, Any], errors: _Errors, aircraft: Mapping[str, Aircraft]) -> None:
    """Refuse with all wrong fields at once, those of the landing too."""
    try:
        parse_request(landing, aircraft_by_name=aircraft)
    except RefusedRequest as error:
        for path, text in error.errors.items():
            # what a refused METAR or field would have filled in is not missing by another mistake
            if not ('metar' in errors and path.startswith('weather')) and not (
                'airfield' in errors and path == 'runway'
            ):
                errors.setdefault(path, text)
    raise RefusedRequest(errors)


def whole_request_schema(landing_schema: dict[str, Any]) -> dict[str, Any]:
    """The landing's schema grown by the members that only the whole brief has."""
    schema = {**landing_schema, 'properties': dict(landing_schema['properties'])}
    definitions = dict(schema.get('$defs', {}))
    for name, adapter in (
        ('PatternChoice', _choice_adapter()),
        ('LessonTime', _lesson_adapter()),
        ('Airfield', _airfield_adapter()),
    ):
        made = adapter.json_schema(ref_template='#/$defs/{model}')
        definitions |= made.pop('$defs', {})
        definitions[name] = made
    schema['$defs'] = definitions
    properties = schema['properties']
    properties['metar'] = {'type': 'string', 'maxLength': _TEXT_LIMIT}
    properties['time_utc'] = {'type': 'string', 'format': 'date-time'}
    properties['takeoff'] = {'enum': list(get_args(TakeoffKind)), 'default': 'normal'}
    properties['pattern'] = {'$ref': '#/$defs/PatternChoice'}
    properties['lesson'] = {'$ref': '#/$defs/LessonTime'}
    properties['callsign'] = {'type': 'string', 'minLength': 1, 'maxLength': 40}
    properties['airfield'] = {
        'anyOf': [{'$ref': '#/$defs/Airfield'}, {'type': 'object', 'description': 'GeoJSON, RFC 7946'}]
    }
    properties['runway'] = {
        'anyOf': [properties['runway'], {'type': 'string', 'description': 'ident of an end of airfield'}]
    }
    schema['required'] = [name for name in schema['required'] if name not in ('runway', 'weather')]
    schema['anyOf'] = [
        {'required': [first, second]} for first in ('runway', 'airfield') for second in ('weather', 'metar')
    ]
    return schema
