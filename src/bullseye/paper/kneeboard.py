"""The kneeboard card as PDF: one A5 page, or two side by side on A4."""

from __future__ import annotations

import io
import re
from collections.abc import Sequence
from functools import cache
from itertools import groupby
from typing import Any
from xml.sax.saxutils import escape

import arabic_reshaper
from bidi import get_display
from reportlab.lib import colors
from reportlab.lib.pagesizes import A4, A5, landscape
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.pdfbase.pdfmetrics import getFont, registerFont
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import Flowable, Frame, KeepInFrame, Paragraph, Spacer, Table, TableStyle

from bullseye.core.basis.sentence import Caution, Phrasebook, Sentence, Severity
from bullseye.core.brief.kneeboard import Kneeboard, Line, Paper
from bullseye.launch.places import EAST_ASIAN_FONT, WIDE_FONT

_MARGIN = 7 * mm
PLAIN = ParagraphStyle('plain', fontName='Helvetica', fontSize=8, leading=9.4)
BOLD = ParagraphStyle('bold', parent=PLAIN, fontName='Helvetica-Bold')
TITLE = ParagraphStyle('title', parent=BOLD, fontSize=12, leading=14)
HEAD = ParagraphStyle('head', parent=BOLD, fontSize=8.5, leading=11, spaceBefore=3)
SMALL = ParagraphStyle('small', parent=PLAIN, fontSize=6.6, leading=7.8)
_BARE = TableStyle(
    [('VALIGN', (0, 0), (-1, -1), 'TOP')]
    + [(f'{side}PADDING', (0, 0), (-1, -1), 0) for side in ('LEFT', 'RIGHT', 'TOP', 'BOTTOM')]
)
# the standard fonts of PDF hold Latin-1 only; names have other letters
_WIDE, _EAST_ASIAN = 'DejaVuSans', 'DroidSansFallback'
_FONTS = {_WIDE: WIDE_FONT, _EAST_ASIAN: EAST_ASIAN_FONT}
_FROM_THE_RIGHT = re.compile('[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufeff]')
_LETTERS = str.maketrans({'−': '-', '–': '-', '’': "'", '√': 'root of ', 'γ': 'angle', '▲': '!', '₂': '2'})


def latin(words: str) -> str:
    """Words as a paragraph takes them: other letters in fonts that have them, from right to left where they run so."""
    plain = words.translate(_LETTERS)
    if _FROM_THE_RIGHT.search(plain):
        plain = str(get_display(arabic_reshaper.reshape(plain), base_dir='L'))
    found = []
    for name, letters in groupby(plain, key=_font_of):
        part = ''.join(letters)
        usual = escape(part.encode('latin-1', 'replace').decode('latin-1'))
        found.append(usual if name is None else f'<font name="{name}">{escape(part)}</font>')
    return ''.join(found)


def _font_of(letter: str) -> str | None:
    """The font that has a letter beyond the standard ones; None for theirs, and for one that nobody has."""
    if letter <= '\xff':
        return None
    return next((name for name in _FONTS if _has(name) and ord(letter) in _widths(name)), None)


@cache
def _has(name: str) -> bool:
    """Whether one of Debian's fonts is there; it is then put into the file, as far as it is used."""
    if not _FONTS[name].exists():
        return False
    registerFont(TTFont(name, _FONTS[name]))
    return True


@cache
def _widths(name: str) -> dict[int, float]:
    """The letters of a font, by their numbers."""
    widths: dict[int, float] = getFont(name).face.charWidths  # type: ignore[attr-defined]
    return widths


def _lines(lines: Sequence[Line], width: float, share: float = 0.36) -> Table:
    rows = [[Paragraph(latin(one.label), PLAIN), Paragraph(latin(one.value), BOLD)] for one in lines]
    table = Table(rows, colWidths=[width * share, width * (1 - share)])
    table.setStyle(
        TableStyle(
            [
                ('VALIGN', (0, 0), (-1, -1), 'TOP'),
                ('TOPPADDING', (0, 0), (-1, -1), 0.6),
                ('BOTTOMPADDING', (0, 0), (-1, -1), 0.6),
                ('LEFTPADDING', (0, 0), (-1, -1), 0),
                ('RIGHTPADDING', (0, 0), (-1, -1), 2),
                ('LINEBELOW', (0, 0), (-1, -1), 0.25, colors.grey),
            ]
        )
    )
    return table


_BOOK = Phrasebook('kneeboard')


def _say(name: str, **values: Sentence) -> str:
    return str(_BOOK.say(name, **values))


def _head(name: str) -> Paragraph:
    return Paragraph(latin(_say(f'heading_{name}')), HEAD)


def _section(heading: str, lines: Sequence[Line], width: float, share: float = 0.36) -> list[Flowable]:
    return [_head(heading), _lines(lines, width, share)] if lines else []


def _laps(card: Kneeboard, width: float) -> list[Flowable]:
    if not card.laps:
        return [_head('laps'), Paragraph(_say('no_lap'), PLAIN)]
    columns = ('', *(_say(f'column_{name}') for name in ('lap', 'spot', 'aim', 'watch', 'felt')))
    rows: list[list[Any]] = [[Paragraph(latin(words), SMALL) for words in columns]]
    for number, lap in enumerate(card.laps, start=1):
        cells = (f'{number} {lap.label}', lap.spot, lap.aim, lap.watch)
        rows.append(['', *(Paragraph(latin(words), PLAIN) for words in cells), ''])
    shares = (0.045, 0.21, 0.13, 0.13, 0.37, 0.115)
    table = Table(rows, colWidths=[width * share for share in shares])
    table.setStyle(
        TableStyle(
            [
                ('VALIGN', (0, 0), (-1, -1), 'MIDDLE'),
                ('TOPPADDING', (0, 0), (-1, -1), 1.2),
                ('BOTTOMPADDING', (0, 0), (-1, -1), 1.2),
                ('LEFTPADDING', (0, 0), (-1, -1), 2),
                ('RIGHTPADDING', (0, 0), (-1, -1), 1),
                ('LINEBELOW', (0, 0), (-1, -1), 0.25, colors.grey),
                ('BOX', (0, 1), (0, -1), 0.8, colors.black),
                ('INNERGRID', (0, 1), (0, -1), 0.8, colors.black),
            ]
        )
    )
    return [_head('laps'), table]


_SIGN: dict[Severity, str] = {'mind': '! ', 'know': ''}


def _said(one: Caution) -> str:
    return _say('stop', words=one.words) if one.severity == 'stop' else f'{_SIGN[one.severity]}{one}'


def _flow(card: Kneeboard, width: float) -> list[Flowable]:
    half = width / 2 - 2 * mm
    left = [*_section('points', card.points, half), *_section('takeoff', card.takeoff, half)]
    right = [*_section('speeds', card.speeds, half), *_section('gates', card.gates, half, 0.6)]
    columns = Table([[left, right]], colWidths=[half + 2 * mm, half + 2 * mm])
    columns.setStyle(_BARE)
    found: list[Flowable] = [Paragraph(latin(card.title), TITLE), Paragraph(latin(card.subtitle), PLAIN), columns]
    found += _section('legs', card.headings, width, 0.2)
    found += _section('engine', card.engine_failure, width, 0.28)
    found += _laps(card, width)
    found.append(Spacer(1, 3))
    found += [Paragraph(latin(_said(one)), SMALL) for one in card.cautions]
    return found


def kneeboard_pdf(card: Kneeboard, *, paper: Paper = 'a5') -> bytes:
    """Draw a card; on A4 it stands twice, for student and instructor, to be cut in the middle."""
    out = io.BytesIO()
    page = A5 if paper == 'a5' else landscape(A4)
    canvas = Canvas(out, pagesize=page, pageCompression=1, invariant=1)
    canvas.setTitle(card.title.translate(_LETTERS))
    width, height = A5
    for left in (0.0,) if paper == 'a5' else (0.0, page[0] / 2):
        inner = width - 2 * _MARGIN
        frame = Frame(left + _MARGIN, _MARGIN, inner, height - 2 * _MARGIN, 0, 0, 0, 0)
        # a long day is set smaller, so that a card is always one page
        frame.addFromList([KeepInFrame(inner, height - 2 * _MARGIN, _flow(card, inner), mode='shrink')], canvas)
    if paper == 'a4':
        canvas.setDash(2, 3)
        canvas.line(page[0] / 2, 0, page[0] / 2, page[1])
    canvas.showPage()
    canvas.save()
    return out.getvalue()
