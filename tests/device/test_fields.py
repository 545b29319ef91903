"""A field in its editor, against the reader and writer of the core."""

import copy
import json
from datetime import date

import numpy as np
import pytest
from geographiclib.geodesic import Geodesic

from bullseye.core.exchange.geojson import airfield_from_geojson
from bullseye.demo.fleet import field_files
from tests.device.node import calls, in_node, values

FIELDS = field_files()
DAY = date(2026, 5, 14)


def edited(data: dict[str, object]) -> dict[str, object]:
    """A field as the editor sends it back when nothing was touched."""
    return dict(
        in_node("const { fromGeoJson, toGeoJson } = load('fields'); return toGeoJson(fromGeoJson(given))", data)
    )


@pytest.mark.parametrize('name', sorted(FIELDS))
def test_a_field_that_was_only_looked_at_is_the_same_field(name):
    before, after = airfield_from_geojson(FIELDS[name], on=DAY), airfield_from_geojson(edited(FIELDS[name]), on=DAY)
    assert after == before


def test_what_was_set_in_the_editor_reaches_the_core():
    changed = in_node(
        """
        const { fromGeoJson, toGeoJson } = load('fields')
        const field = fromGeoJson(given)
        const end = field.runways[0].ends[0]
        Object.assign(end, { displaced_threshold_ft: 300, pattern: 'right', path_angle_deg: 4, aiming_marks_ft: 900,
                             obstacle: { height_ft: 60, before_threshold_ft: 900 }, preferred: true,
                             surroundings: 'trees' })
        field.runways[0].width_ft = 75
        field.pattern_altitude_ft = 1500
        field.marks.push({ name: 'The mill', lat: end.lat + 0.01, lon: end.lon, use: 'base' })
        return [toGeoJson(field), end.ident]
        """,
        FIELDS['lant'],
    )
    data, ident = changed
    field = airfield_from_geojson(data, on=DAY)
    end = field.end(ident)
    assert (end.displaced_threshold_ft, end.path_angle_deg, end.aiming_marks_ft, end.width_ft) == (300, 4, 900, 75)
    assert end.pattern_side == 'right'
    assert end.surroundings == 'trees'
    others = [one.surroundings for one in field.ends if one.ident != ident]
    assert set(others) == {'open'}
    # looked at once more and sent again, it is still so
    assert airfield_from_geojson(edited(data), on=DAY).end(ident).surroundings == 'trees'
    assert end.obstacle is not None
    assert (end.obstacle.height_ft, end.obstacle.before_threshold_ft) == (60, 900)
    assert field.pattern_altitude_ft == 1_500
    marks = [one for one in data['features'] if one['properties'].get('kind') == 'mark']
    assert marks[-1]['properties'] == {'kind': 'mark', 'name': 'The mill', 'use': 'base'}


def test_what_a_file_leaves_out_gets_the_usual_value():
    bare = {
        'type': 'FeatureCollection',
        'features': [
            {
                'type': 'Feature',
                'properties': {},
                'geometry': {'type': 'LineString', 'coordinates': [[-38.4, 47.2], [-38.39, 47.2]]},
            }
        ],
    }
    (field,) = values('fields', [['fromGeoJson', bare]])
    assert field['name'] == field['ident'] == ''
    assert field['pattern_altitude_ft'] is None
    (runway,) = field['runways']
    assert (runway['width_ft'], runway['surface']) == (60, 'asphalt')
    for end in runway['ends']:
        assert (end['path_angle_deg'], end['pattern'], end['displaced_threshold_ft']) == (3, 'left', 0)
        assert end['obstacle'] is None
        assert end['preferred'] is False


def test_a_file_that_is_no_field_says_so():
    asked = [{}, {'type': 'Feature'}, {'type': 'FeatureCollection', 'features': 3}]
    for answer in calls('fields', [['fromGeoJson', one] for one in asked]):
        assert answer['thrown'] == 'not a GeoJSON FeatureCollection'
    points = copy.deepcopy(FIELDS['lant'])
    points['features'] = [one for one in points['features'] if one['geometry']['type'] == 'Point']
    (answer,) = calls('fields', [['fromGeoJson', points]])
    assert answer['thrown'].startswith('no runway in it')


def test_lengths_and_courses_while_drawing_are_near_the_geodesic():
    rng = np.random.default_rng(12)
    runways, truth = [], []
    for _ in range(60):
        lat, lon = float(rng.uniform(-60, 60)), float(rng.uniform(-170, 170))
        far = Geodesic.WGS84.Direct(lat, lon, float(rng.uniform(0, 360)), float(rng.uniform(300, 3_000)))
        ends = [{'lat': lat, 'lon': lon}, {'lat': far['lat2'], 'lon': far['lon2']}]
        runways.append({'width_ft': 60, 'surface': 'asphalt', 'ends': ends})
        truth.append((far['s12'] / 0.3048, far['azi1'] % 360))
    lengths = values('fields', [['lengthFt', one] for one in runways])
    courses = values('fields', [['courseDeg', one] for one in runways])
    for length, course, (length_ft, course_deg) in zip(lengths, courses, truth, strict=True):
        assert length == pytest.approx(length_ft, rel=0.01)  # the server measures on the ellipsoid
        assert abs((course - course_deg + 180) % 360 - 180) < 0.5


def test_a_new_field_lies_beside_the_one_there_is():
    blank = in_node(
        "const { blankField, fromGeoJson } = load('fields'); return blankField(fromGeoJson(given))", FIELDS['lant']
    )
    first = next(one for one in FIELDS['lant']['features'] if one['geometry']['type'] == 'LineString')
    lon, lat = first['geometry']['coordinates'][0]
    assert (blank['runways'][0]['ends'][0]['lat'], blank['runways'][0]['ends'][0]['lon']) == (lat, lon)
    assert blank['name'] == blank['ident'] == ''
    assert json.dumps(in_node("return load('fields').blankField()"))  # and somewhere without any


def test_a_ground_mark_is_nowhere_until_somebody_says_where():
    script = """
        const { fromGeoJson, missingOf } = load('fields')
        const field = fromGeoJson(given)
        field.marks = [
          { name: 'dam', lat: 47.2, lon: -38.4, use: 'base' },
          { name: 'barn', lat: null, lon: null, use: 'base' },
          { name: 'pond', lat: 47.2, lon: '', use: 'final' }, // emptied by hand
          { name: 'sea', lat: 0, lon: 0, use: 'final' }, // a place like any other
        ]
        return missingOf(field)
    """
    told = in_node(script, FIELDS['lant'])
    assert told == [
        f'where ground mark {n}, {name}, is: its latitude and longitude' for n, name in ((2, 'barn'), (3, 'pond'))
    ]
