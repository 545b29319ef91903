"""Reading weather reports."""

import random
from datetime import UTC, datetime

import pytest
from metar_taf_parser.parser.parser import MetarParser

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.exchange.metar import read_metar

NOW = datetime(2026, 11, 25, 12, 10, tzinfo=UTC)


def read(text, **more):
    return read_metar(text, now=NOW, **more)


def test_a_report_is_read_with_all_its_parts():
    # [pub] groups of WMO-No. 306, code form FM 15
    found = read('METAR LANT 251150Z 07009G16KT 9999 FEW030 14/08 Q1016=')
    assert (found.wind_dir_deg_true, found.wind_kt, found.gust_kt) == (70, 9, 16)
    assert (found.temperature_c, found.dew_point_c, found.qnh_hpa) == (14, 8, 1016)
    assert found.observed_at == datetime(2026, 11, 25, 11, 50, tzinfo=UTC)
    assert found.missing == found.warnings == ()


@pytest.mark.parametrize(
    ('text', 'direction', 'wind_kt', 'qnh_hpa', 'missing'),
    [
        ('LANT 251150Z VRB03KT CAVOK 14/08 Q1016 NOSIG', None, 3, 1016, ()),
        ('KXYZ 251150Z AUTO 00000KT 10SM CLR M05/M10 A2992', None, 0, 1013.2, ()),
        ('LANT 251150Z 36005MPS 9999 14/08 Q1016', 360, 9.7, 1016, ()),  # 5 m/s x 3600/1852
        ('LANT 251150Z 07009KT 9999', 70, 9, None, ('temperature', 'pressure')),
        ('LANT 251150Z /////KT 9999 14/08 Q1016', None, None, 1016, ('wind',)),
        ('LANT 251150Z 09010KT 060V120 9999 14/08 Q1016', 90, 10, 1016, ()),
    ],
)
def test_what_reports_leave_out_or_say_otherwise(text, direction, wind_kt, qnh_hpa, missing):
    found = read(text)
    assert found.wind_dir_deg_true == direction
    assert found.wind_kt == pytest.approx(wind_kt, abs=0.01)
    assert found.qnh_hpa == pytest.approx(qnh_hpa, abs=0.1)
    assert found.missing == missing


@pytest.mark.parametrize(
    'text', ['rubbish', '', 'LANT 991150Z 07009KT', 'A' * 900, 'TAF LANT 251150Z 2512/2612 07009KT']
)
def test_what_is_no_report_is_refused(text):
    with pytest.raises(InvalidInput) as refusal:
        read(text)
    assert refusal.value.field == 'metar'


def test_another_station_or_an_old_report_is_used_with_a_warning():
    other = read('ZZZZ 251150Z 07009KT 9999 14/08 Q1016', station='lant')
    assert other.warnings == ('METAR of ZZZZ, not of LANT: the wind here may differ.',)
    old = read_metar('LANT 250850Z 07009KT 9999 14/08 Q1016', now=NOW)
    assert old.warnings == ('METAR 3 hours old: look at the sock.',)
    newer = read('LANT 251350Z 07009KT 9999 14/08 Q1016')
    assert newer.warnings == ('METAR from the future: check its time.',)


def test_a_report_of_last_month_is_dated_so():
    found = read_metar('LANT 302350Z 07009KT 9999 14/08 Q1016', now=datetime(2026, 12, 1, 0, 10, tzinfo=UTC))
    assert found.observed_at == datetime(2026, 11, 30, 23, 50, tzinfo=UTC)


@pytest.mark.parametrize(
    ('groups', 'expected'),
    [
        # [pub] groups of WMO-No. 306, code form FM 15, and of the US Federal Meteorological Handbook No. 1
        ('07009KT 340V120 9999 14/08 Q1016', {'wind_range_from_deg_true': 340, 'wind_range_to_deg_true': 120}),
        ('07009KT 1200 FG BKN004 14/14 Q1016', {'visibility_m': 1_200, 'ceiling_ft': 400, 'hazards': ('fog',)}),
        ('07009KT M1/4SM FZFG VV001 M05/M05 A2992', {'ceiling_ft': 100, 'hazards': ('fog', 'freezing')}),
        ('07009KT 9999 +TSRA SCT010 OVC020CB 14/12 Q1016', {'ceiling_ft': 2_000, 'surface_state': 'wet'}),
        ('07009KT 9999 -FZDZ OVC012 M01/M02 Q1016', {'hazards': ('freezing',), 'surface_state': 'snow_or_ice'}),
        ('07009KT 9999 VCSH BKN030 14/08 Q1016', {'weather': ('showers in the vicinity',), 'surface_state': None}),
        ('07009KT 9999 BKN030 14/08 Q1016 RERA', {'weather': (), 'surface_state': 'wet'}),
        ('07009KT 9999 14/08 Q1016 WS R07', {'hazards': ('windshear',)}),
        ('07009KT 9999 14/08 Q1016 TEMPO 3000 TSRA', {'hazards': (), 'later': ('low_visibility', 'thunderstorm')}),
        ('07009KT 9999 14/08 Q1016 BECMG FM1300 25022G35KT', {'later': ('strong_wind',), 'wind_kt': 9}),
        ('07009KT 10SM CLR 14/08 A2992 $', {'temperature_c': 14, 'qnh_hpa': 1013.2}),
        ('07009KT 10SM CLR 20.4/10.1 A2992', {'temperature_c': 20.4, 'dew_point_c': 10.1}),
        ('07009KT 10SM CLR 20/10 A29//', {'temperature_c': 20, 'qnh_hpa': None, 'missing': ('pressure',)}),
        ('07009KT 10SM CLR M03/ A2992', {'temperature_c': -3, 'dew_point_c': None, 'missing': ()}),
        (
            '07009KT 9999 BKN/// 14/08 Q1016',
            {'ceiling_ft': None, 'warnings': ('The height of the cloud is not reported.',)},
        ),
    ],
)
def test_every_group_is_used(groups, expected):
    found = read(f'LANT 251150Z {groups}')
    assert {name: getattr(found, name) for name in expected} == expected


def test_what_is_not_used_or_not_read_is_told_and_takes_nothing_with_it():
    found = read('LANT 251150Z 07015G09KT XYZZY 9999 R25/0600U FEW030 // 14/08 Q1016 BLU RMK AO2 SLP134')
    assert (found.wind_kt, found.gust_kt, found.temperature_c, found.qnh_hpa) == (15, None, 14, 1016)
    assert any('"XYZZY" of the METAR cannot be read' in words for words in found.warnings)
    assert any('gust of the METAR is less than its wind' in words for words in found.warnings)
    told = ' '.join(found.not_used)
    for what in ('visual range', 'empty groups (//)', 'remarks (AO2 SLP134)', 'colour state (BLU)', 'scattered', 'dew'):
        assert what in told


def _report(chance):
    """A report of any shape the code form allows."""
    wind = chance.choice(['00000KT', 'VRB02KT', f'{chance.randrange(10, 370, 10):03d}{chance.randrange(3, 40):02d}KT'])
    if wind[0] != 'V' and wind != '00000KT' and chance.random() < 0.4:
        wind = f'{wind[:5]}G{int(wind[3:5]) + chance.randrange(10, 25):02d}{chance.choice(["KT", "MPS"])}'
    if wind[:3] not in ('VRB', '000') and chance.random() < 0.3:
        start = chance.randrange(10, 370, 10)
        wind += f' {start:03d}V{(start + chance.randrange(60, 170, 10) - 1) % 360 + 1:03d}'
    sight = chance.choice(['9999', '0800', '4500', '1500', '10SM', '3SM', 'CAVOK'])
    weather = chance.choice(['', '-RA', '+TSRA', 'FG', 'BR', 'SHSN', 'FZRA', 'HZ', 'VCTS', '-DZ BR'])
    clouds = chance.choice(['', 'FEW030', 'SCT018 BKN040', 'OVC006', 'BKN012CB OVC100', 'FEW010 SCT020 OVC033'])
    if sight == 'CAVOK':
        weather = clouds = ''

    def degrees(value):
        return f'{"M" if value < 0 else ""}{abs(value):02d}'

    warm = chance.randrange(-25, 40)
    air = f'{degrees(warm)}/{degrees(warm - chance.randrange(0, 15))}'
    pressure = chance.choice([f'Q{chance.randrange(950, 1050):04d}', f'A{chance.randrange(2_850, 3_080)}'])
    end = chance.choice(['', 'NOSIG', 'RMK AO2'])
    auto = chance.choice(['', 'AUTO'])
    return ' '.join(f'LANT 251150Z {auto} {wind} {sight} {weather} {clouds} {air} {pressure} {end}'.split())


def test_a_second_library_reads_two_hundred_reports_of_every_shape_alike():
    chance = random.Random(15)  # noqa: S311
    for _ in range(200):
        text = _report(chance)
        ours, theirs = read(text), MetarParser().parse(text)
        per_kt = 3_600 / 1_852 if theirs.wind.unit == 'MPS' else 1.0
        assert ours.wind_kt == pytest.approx(theirs.wind.speed * per_kt, abs=0.06), text
        gust = None if theirs.wind.gust is None else theirs.wind.gust * per_kt
        assert ours.gust_kt == (None if gust is None else pytest.approx(gust, abs=0.06)), text
        if ours.wind_kt and theirs.wind.direction != 'VRB':
            assert ours.wind_dir_deg_true == theirs.wind.degrees, text
        swing = (theirs.wind.min_variation, theirs.wind.max_variation)
        assert (ours.wind_range_from_deg_true, ours.wind_range_to_deg_true) == swing, text
        assert (ours.temperature_c, ours.dew_point_c) == (theirs.temperature, theirs.dew_point), text
        in_hpa = theirs.altimeter if text.split()[-1].startswith('Q') or ' Q' in text else None
        if in_hpa is not None:
            assert ours.qnh_hpa == in_hpa, text
        hiding = [cloud.height for cloud in theirs.clouds if cloud.quantity.name in ('BKN', 'OVC')]
        assert ours.ceiling_ft == (min(hiding) if hiding else None), text
        storms = any(one.descriptive and one.descriptive.name == 'THUNDERSTORM' for one in theirs.weather_conditions)
        assert ('thunderstorm' in ours.hazards) == storms, text


def told(groups):
    return read(f'LANT 251150Z {groups}')


def test_weather_without_what_falls_is_still_said():
    said = {groups: ' '.join(told(f'07009KT 9999 {groups} 14/08 Q1016').weather) for groups in ('VCSH', 'SHRA', '-RA')}
    assert said['VCSH'] == 'showers in the vicinity'
    assert said['SHRA'] == 'showers of rain'
    assert said['-RA'] == 'light rain'


@pytest.mark.parametrize(('wind', 'is_less'), [('07018G12KT', True), ('07012G12KT', False), ('07009G17KT', False)])
def test_a_gust_below_the_wind_is_left_out_and_told(wind, is_less):
    found = told(f'{wind} 9999 14/08 Q1016')
    assert any('gust' in str(one) for one in found.warnings) is is_less


@pytest.mark.parametrize(
    ('sky', 'is_hidden'), [('VV///', True), ('VV002', False), ('BKN///', False), ('OVC004', False)]
)
def test_only_a_hidden_sky_without_a_height_hides_everything(sky, is_hidden):
    assert ('sky_hidden' in told(f'07009KT 0400 {sky} 14/08 Q1016').hazards) is is_hidden
