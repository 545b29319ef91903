"""What the report tells beside the wind: weather nobody teaches landings in, cloud, sight, and what comes later."""

from __future__ import annotations

from bullseye.core.basis.kinds import WeatherGiven, WeatherHazard
from bullseye.core.basis.sentence import Caution, Phrasebook, Quantity, Severity, feet, told_apart
from bullseye.core.brief.request import BriefRequest

_BOOK = Phrasebook('weather')
_NOW: dict[WeatherHazard, tuple[Severity, str]] = {
    'thunderstorm': ('stop', 'Thunderstorm at the field or near it: do not fly the pattern; wait on the ground.'),
    'fog': ('stop', 'Fog at the field: do not take off.'),
    'freezing': ('stop', 'Freezing precipitation or fog: ice on the wings. Do not fly.'),
    'squall': ('stop', 'Squalls or a funnel cloud are reported: do not fly.'),
    'windshear': ('stop', 'Windshear is reported: airspeed may fall faster than power can mend it. Wait.'),
    'heavy_precipitation': ('stop', 'Heavy precipitation: sight and brakes go, and gusts come with it. Wait.'),
    'dust_or_ash': ('stop', 'Dust, sand or ash in the air: do not fly before you have asked about it.'),
    'sky_hidden': ('stop', 'The sky is hidden, and nobody knows how far one sees upwards: do not take off.'),
    'snow_or_hail': ('mind', 'Snow or hail is falling: look at wings, runway and sight before you go.'),
    'fog_near': ('mind', 'Fog in patches or near the field: it may close the runway during the lesson.'),
    'towering_cloud': ('mind', 'Towering cloud is reported: gusts and showers come with it.'),
    'low_cloud': ('mind', 'Low cloud is reported.'),
    'low_visibility': ('mind', 'Poor visibility is reported.'),
    'strong_wind': ('mind', 'Strong wind is reported.'),
}
_LATER: dict[WeatherHazard, str] = {
    'thunderstorm': 'thunderstorms',
    'fog': 'fog',
    'fog_near': 'patches of fog',
    'freezing': 'freezing precipitation',
    'heavy_precipitation': 'heavy precipitation',
    'snow_or_hail': 'snow or hail',
    'squall': 'squalls',
    'dust_or_ash': 'dust or sand',
    'windshear': 'windshear',
    'towering_cloud': 'towering cloud',
    'sky_hidden': 'a hidden sky',
    'low_cloud': 'low cloud',
    'low_visibility': 'poor visibility',
    'strong_wind': 'strong or gusty wind',
}
_GIVEN: dict[WeatherGiven, Caution] = {
    'never': Caution('stop', _BOOK.say('never')),
    'old': Caution('mind', _BOOK.say('old')),
}
_FT_STEP, _KM_STEP = 100.0, 0.1  # [own]


def weather_cautions(request: BriefRequest) -> list[Caution]:
    """What the weather and the state of the runway warn of, and a report that is old or that nobody gave."""
    given = request.weather.given
    return [*([] if given == 'current' else [_GIVEN[given]]), *hazard_cautions(request)]


def hazard_cautions(request: BriefRequest) -> list[Caution]:
    """What is known of the weather and of the state of the runway, and warns."""
    weather = request.weather
    said = [Caution(_NOW[one][0], _BOOK.say('now', words=_NOW[one][1])) for one in weather.hazards]
    if weather.ceiling_ft is not None and weather.ceiling_ft < request.least_ceiling_ft:
        low, least = told_apart(feet(weather.ceiling_ft, step=_FT_STEP), feet(request.least_ceiling_ft, step=_FT_STEP))
        said.append(Caution('stop', _BOOK.say('ceiling', ceiling=low, least=least)))
    if weather.visibility_m is not None and weather.visibility_m < request.least_visibility_m:
        sight, least = told_apart(_km(weather.visibility_m), _km(request.least_visibility_m))
        said.append(Caution('stop', _BOOK.say('visibility', visibility=sight, least=least)))
    if weather.later:
        said.append(Caution('mind', _BOOK.say('later', words=_in_a_row([_LATER[one] for one in weather.later]))))
    if request.surface_state != 'dry':
        severity: Severity = 'stop' if request.surface_state == 'snow_or_ice' else 'mind'
        said.append(Caution(severity, _BOOK.say(request.surface_state)))
    return said


def _km(metres: float) -> Quantity:
    return Quantity(metres / 1_000, 'km', _KM_STEP)


def _in_a_row(words: list[str]) -> str:
    return words[0] if len(words) == 1 else f'{", ".join(words[:-1])} and {words[-1]}'
