"""What is said on screens is said as an instructor would: no words that nobody outside this program uses."""

import re
from pathlib import Path

import pytest

import bullseye
from bullseye.words import catalogue

SCREENS = Path(bullseye.__file__).resolve().parents[2] / 'web' / 'src'
# coined here, or of machines; what is said instead stands beside it
COINED = {
    r'told apart': 'is within it, cannot be told',
    r'\breckon': 'assume, calculate',
    r'\blately\b': 'at the usual speed',
    r'worked[ -]out': 'calculated, planned, recommended',
    r'; empty:': 'a label, and a sentence under the field',
    r'\baim\b[^.:]*\b(earlier|later)\b': 'shorter, farther in: a place is neither early nor late',
    r'\w_id\b': 'what the field is called on the screen',
}


def phrases() -> dict[str, str]:
    """Every text of the catalogue, by its name."""
    return {
        name: catalogue.said(name, {one: f'{{{one}}}' for one in catalogue.values_of(name)})
        for name in catalogue.names()
    }


def screens() -> dict[str, str]:
    """What stands between tags and in the words of attributes, by file."""
    found = {}
    for path in SCREENS.rglob('*.vue'):
        page = path.read_text(encoding='utf-8').partition('<template>')[2].rpartition('</template>')[0]
        page = re.sub(r'<!--.*?-->', ' ', page, flags=re.S)
        said = re.findall(r'\s(?:label|hint|title|placeholder|aria-label|note|empty-word)="([^"]*)"', page)
        said += re.findall(r'>([^<>{}]+)(?=[<{])', page) + re.findall(r"[`']([A-Z][^`']{12,})[`']", page)
        found[str(path.relative_to(SCREENS))] = '\n'.join(said)
    return found


@pytest.mark.parametrize('coined', COINED)
def test_no_coined_word_is_said(coined):
    said = phrases() | screens()
    assert len(said) > 500
    found = {where: text for where, text in said.items() if re.search(coined, text, re.IGNORECASE)}
    assert not found, f'{COINED[coined]}: {found}'
