"""English as an instructor says it: short sentences, the trade's words, none of our own making."""

import re

from fluent.syntax import FluentSerializer, ast

from bullseye.words import catalogue, screens

MOST_WORDS = 25
# ours and nobody else's: each has a plain word that an instructor uses
COINED = re.compile(
    r'\b(told apart|reckon\w*|(as )?lately|worked out|works? out|anew|meanwhile|farthest from it|one fewer|'
    r'stands? twice|holds? twice|telegram|whoever|thereof|herein)\b',
    re.IGNORECASE,
)
MACHINE = re.compile(r'\b(null|undefined|NaN|tuple|string|integer|boolean|_id|JSON object)\b')


def every_text():
    """Each text and each of its plurals, with what goes into it as one word."""
    serializer = FluentSerializer()

    def said(pattern):
        for element in pattern.elements:
            if isinstance(element, ast.Placeable) and isinstance(element.expression, ast.SelectExpression):
                for variant in element.expression.variants:
                    yield from said(variant.value)
                return
        whole = serializer.serialize_entry(ast.Message(ast.Identifier('x'), pattern)).removeprefix('x =')
        yield re.sub(r'\{[^{}]*\}', 'X', ' '.join(whole.split()))

    read = {name: catalogue.message(name) for name in catalogue.names()}
    for name, message in {**read, **screens.texts()}.items():
        for text in said(message.value):
            yield name, text


def test_no_sentence_is_longer_than_can_be_said_in_one_breath():
    long = [
        (name, sentence)
        for name, text in every_text()
        for sentence in re.split(r'(?<=[.!?])\s+', text)
        if len(sentence.split()) > MOST_WORDS
    ]
    assert long == []


def test_no_word_of_our_own_making_is_said():
    assert [(name, text) for name, text in every_text() if COINED.search(text)] == []


def test_no_word_of_the_machine_is_said():
    assert [(name, text) for name, text in every_text() if MACHINE.search(text)] == []
