"""Rooms that can be looked over: no module of the program has grown past what a reader holds in mind."""

from pathlib import Path

import bullseye

ROOT = Path(bullseye.__file__).parent
MOST_LINES = 450


def test_no_module_is_longer_than_a_reader_holds_in_mind():
    lengths = {
        str(path.relative_to(ROOT)): len(path.read_text(encoding='utf-8').splitlines()) for path in ROOT.rglob('*.py')
    }
    assert len(lengths) > 300
    assert {name: lines for name, lines in lengths.items() if lines > MOST_LINES} == {}
