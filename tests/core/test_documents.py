"""What the documents say of the program, compared with the program."""

import json
import re

from bullseye.core.basis.constants import MODEL_VERSION
from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.request import parse_request
from bullseye.demo.fleet import AIRCRAFT
from bullseye.launch.places import ROOT


def document(name: str) -> str:
    return (ROOT / name).read_text(encoding='utf-8')


def test_the_model_is_described_in_the_version_it_has_and_every_version_is_told():
    assert f'**Version {MODEL_VERSION}.**' in document('docs/model.md')
    assert f'**Model {MODEL_VERSION}**' in document('CHANGELOG.md')


def test_the_request_of_the_first_page_is_answered():
    (found,) = re.findall(r'(?m)^    \{"aircraft".*\n(?:    .*\n)+', document('README.md'))
    brief = make_brief(parse_request(json.loads(found), aircraft_by_name=AIRCRAFT))
    assert brief.aim.aim_is_good
    assert 200 < brief.aim.aim_point_ft < 600
