"""The texts of the screens: each is said somewhere, and what a screen says is said the same on both sides of the wire."""

import re

from bullseye.launch.places import WEB
from bullseye.launch.setup import NAMES
from bullseye.words import screens


def program():
    files = [one for kind in ('*.vue', '*.ts') for one in (WEB / 'src').rglob(kind)]
    return '\n'.join(one.read_text(encoding='utf-8') for one in files if one != NAMES)


def test_every_text_of_the_screens_is_said_somewhere():
    said = set(re.findall(r"'([a-z]+)\.([a-z0-9-]+)'", program()))
    kept = {tuple(name.split('-', 1)) for name in screens.texts()}
    assert sorted(kept - said) == []


def test_the_compiler_is_told_what_goes_into_a_text():
    told = screens.declaration()
    assert "  'common.laps-counted': 'laps'\n" in told  # named in each of its plurals, told once
    assert "  'app.fleet': never\n" in told
    assert told.count('\n  ') == len(screens.texts())
