"""The catalogue: every text that the program names is there, no other is, and one that cannot be said is told."""

import ast
import re
from collections import defaultdict
from pathlib import Path

import pytest

import bullseye
from bullseye.core.basis.sentence import Phrasebook, Sentence, feet, joined
from bullseye.words import catalogue

ROOT = Path(bullseye.__file__).parent


def named():
    """By subject, every word of a module that has a phrasebook of it, and every word of all others under nothing."""
    found = defaultdict(set)
    for path in ROOT.rglob('*.py'):
        tree = ast.parse(path.read_text(encoding='utf-8'))
        books = [
            node.args[0].value
            for node in ast.walk(tree)
            if isinstance(node, ast.Call) and getattr(node.func, 'id', None) == 'Phrasebook'
        ]
        words = {
            node.value for node in ast.walk(tree) if isinstance(node, ast.Constant) and isinstance(node.value, str)
        }
        for subject in [*books, '']:
            found[subject] |= words
    return found


def test_no_text_is_kept_that_nothing_says():
    by_subject = named()
    anywhere = set().union(*by_subject.values())  # kinds, surfaces and verdicts name texts too
    source = '\n'.join(one.read_text(encoding='utf-8') for one in ROOT.rglob('*.py'))
    unsaid = []
    listed = re.compile(r'_step_\d$')  # of a kind of takeoff, by its number
    for name in catalogue.names():
        subject, _, text = name.partition('.')
        text = listed.sub('_step_', text)
        parts = by_subject[subject]
        begun = any(text.startswith(one) or text.endswith(one) for one in parts if re.fullmatch(r'_?\w{2,}_?', one))
        if subject == 'field':  # what a field is called, by its own name
            begun = re.search(rf'\b{text}\b', source) is not None
        if name != 'joined' and name not in anywhere and text not in anywhere and not begun:
            unsaid.append(name)
    assert not unsaid


def test_a_sentence_says_what_its_text_takes_and_no_more():
    book = Phrasebook('windlimit')
    with pytest.raises(ValueError, match=r"windlimit.tailwind_over takes \['limit', 'value'\], not \['value'\]"):
        book.say('tailwind_over', value=feet(3))
    with pytest.raises(catalogue.UnknownText, match=r'windlimit\.of_the_moon'):
        book.say('of_the_moon')
    with pytest.raises(ValueError, match='limit'):
        str(Sentence('windlimit.tailwind_over', (('value', feet(3)),)))


def test_what_stands_in_a_sentence_is_said_as_it_is():
    # a name somebody typed is never read as a text with places of its own
    inner = Phrasebook('kneeboard').say('takeoff', words='{ $words } {limit} "quoted" -term')
    assert str(joined(inner, inner)) == ' '.join(['Takeoff: { $words } {limit} "quoted" -term'] * 2)
