"""Other languages say all that the English one says, with the same figures, in their own way of writing numbers."""

import re

import pytest
from fluent.syntax import FluentSerializer, ast

from bullseye.core.basis.sentence import Phrasebook, feet, joined, knots
from bullseye.words import catalogue
from bullseye.words.catalogue import filled, read_files
from bullseye.words.language import ENGLISH, LOCALES, number, remembered, speak, speaking, spoken
from bullseye.words.missing import missing

OTHERS = [one for one in LOCALES if one != ENGLISH]
INSIDE = ((), ('screen',))
# what a text may leave out, since its own words say it
NAMED_BY_THE_TEXT = {f'distances-{one}' for one in ('gravel', 'long_grass', 'soft', 'snow_or_ice')}


@pytest.mark.parametrize('language', OTHERS)
def test_nothing_is_missing(language):
    assert list(missing(language)) == []


@pytest.mark.parametrize('language', OTHERS)
@pytest.mark.parametrize('inside', INSIDE)
def test_no_figure_is_left_out(language, inside):
    english, other = (read_files(one, *inside)[1] for one in (ENGLISH, language))
    short = {name for name in other if set(filled(english[name])) != set(filled(other[name]))}
    assert short <= NAMED_BY_THE_TEXT


def numbers(text):
    written = FluentSerializer().serialize_entry(text).partition('=')[2]
    words = re.sub(r'\{[^{}]*\}|\[[^\]]*\]', ' ', written)
    return sorted(
        re.sub(r'(?<=\d)[.,](?=\d{3}\b)', '', one).replace(',', '.') for one in re.findall(r'\d[\d.,]*\b', words)
    )


@pytest.mark.parametrize('language', OTHERS)
@pytest.mark.parametrize('inside', INSIDE)
def test_the_numbers_in_the_words_are_the_same(language, inside):
    english, other = (read_files(one, *inside)[1] for one in (ENGLISH, language))
    plain = {
        name
        for name in other
        if not any(
            isinstance(one, ast.Placeable) and isinstance(one.expression, ast.SelectExpression)
            for one in english[name].value.elements
        )
    }
    off = {
        name: (numbers(english[name]), numbers(other[name]))
        for name in plain
        if set(numbers(english[name])) != set(numbers(other[name]))
    }
    assert off == {}


@pytest.mark.parametrize('language', OTHERS)
def test_every_text_can_be_said(language):
    with speaking(language):
        for name in catalogue.names():
            said = catalogue.said(name, dict.fromkeys(catalogue.values_of(name), '7'))
            assert said
            assert '{' not in said


def test_a_sentence_speaks_the_language_that_is_asked_for():
    sentence = joined(
        Phrasebook('score').say('long', long=feet(12_340.0)),
        Phrasebook('pattern').say('near_stall', margin=knots(3.5, step=0.1), leg='base'),
    )
    english = str(sentence)
    assert '12,340 ft' in english
    assert '3.5 kt above the stall on base' in english
    with speaking('de'):
        german = str(sentence)
        assert spoken() == 'de'
    assert '12.340 ft hinter der Aufsetzzone.' in german
    assert '3,5 kt über dem Überziehen im Queranflug' in german
    assert str(sentence) == english
    assert number(1_234.5, 1) == '1,234.5'
    with pytest.raises(ValueError, match='none of'):
        speak('xx')


def test_what_is_kept_of_an_answer_is_kept_by_language():
    asked = []

    @remembered(4)
    def answer(one):
        asked.append(spoken())
        return spoken(), one

    with speaking('de'):
        assert answer(1) == ('de', 1)
    assert answer(1) == answer(1) == ('en', 1)
    assert asked == ['de', 'en']
