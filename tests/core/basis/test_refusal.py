"""What is refused is told by the label of its field, with what to enter; never in the words of the machine."""

import json
import re

import pytest
from pydantic import TypeAdapter, ValidationError

from bullseye.core.basis.refusal import label, refused
from bullseye.core.brief.request import messages
from bullseye.launch.places import WEB

MACHINE = re.compile(r'_|\bInput\b|\bNone\b|dictionary|tuple|Tuple|instance|pydantic|NoneType')


@pytest.mark.parametrize(
    ('name', 'value', 'accepted', 'words'),
    [
        ('student_id', 0, 'at least 1', 'The student is not chosen yet. Choose one from the list.'),
        ('max_weight_lb', -1.0, 'above 0', 'Maximum weight cannot be -1 lb. Enter a value above 0 lb.'),
        ('slope_pct', 40.0, 'at least -15 and at most 15', 'Slope cannot be 40 %. Enter a value between -15 and 15 %.'),
        ('flap', 'wide open', 'up, half, full', 'Flap cannot be “wide open”. Enter up, half or full.'),
        ('ident', '', 'a number', 'Name of the runway or field cannot be empty. Enter a number.'),
    ],
)
def test_a_refusal_says_what_cannot_be_and_what_to_enter(name, value, accepted, words):
    assert refused(name, value, accepted) == words


@pytest.mark.parametrize(
    ('shape', 'given'),
    [
        (tuple[int, int], [1]),
        (list[int], 'x'),
        (dict[str, int], 3),
        (int, 'x'),
        (int, 2.5),
        (bool, 'perhaps'),
        (float, None),
        (dict[str, list[float]], {'weight_lb': [1.0, 'heavy']}),
    ],
)
def test_whatever_is_of_the_wrong_shape_is_refused_in_words(shape, given):
    with pytest.raises(ValidationError) as found:
        TypeAdapter(shape).validate_python(given)
    for text in messages(found.value).values():
        assert not MACHINE.search(text), text
        assert text[0].isupper()
        assert text.endswith('.')


def asked_for():
    """The names of all fields that a request of the API may hold."""
    described = json.loads((WEB / 'src' / 'api' / 'openapi.json').read_text(encoding='utf-8'))
    schemas = described['components']['schemas']
    text = json.dumps([one.get('requestBody') for path in described['paths'].values() for one in path.values()])
    seen = set()
    while found := set(re.findall(r'schemas/(\w+)', text)) - seen:
        seen |= found
        text = json.dumps([schemas[one] for one in found])
    return {name for one in seen for name in schemas[one].get('properties', {})}


def test_every_field_that_is_asked_for_has_a_label_without_its_unit():
    fields = asked_for()
    assert len(fields) > 200
    for name in fields:
        assert not re.search(r'_|\b(kt|kias|kcas|lb|hpa|gph|deg|fps2|id)\b', label(name)), name


def test_a_field_of_a_list_is_told_with_its_row():
    words = refused('spec.flaps.1.normal_approach_kias', 50, 'at least 1.1 times the stall, 52.4 KIAS')
    assert words == 'Approach speed, row 2 cannot be 50 KIAS. Enter a value of at least 1.1 times the stall, 52.4 KIAS.'
