"""Plain reports as PDF, A4: a title, tables that run over pages, and notes."""

from __future__ import annotations

import io
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from reportlab.lib import colors
from reportlab.lib.pagesizes import A4, landscape
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import Flowable, Paragraph, SimpleDocTemplate, Spacer, Table, TableStyle

from bullseye.paper.kneeboard import BOLD, HEAD, PLAIN, SMALL, TITLE, latin

_MARGIN = 14 * mm


@dataclass(frozen=True, slots=True, kw_only=True)
class Section:
    """A table with its heading; ``shares`` are the widths of its columns, of one."""

    heading: str
    columns: tuple[str, ...]
    rows: tuple[tuple[str, ...], ...]
    shares: tuple[float, ...] | None = None


def report_pdf(
    *, title: str, subtitle: str, sections: Sequence[Section], notes: Sequence[str] = (), wide: bool = False
) -> bytes:
    """Draw a report; every page tells its number."""
    out = io.BytesIO()
    page = landscape(A4) if wide else A4
    width = page[0] - 2 * _MARGIN
    found: list[Flowable] = [Paragraph(latin(title), TITLE), Paragraph(latin(subtitle), PLAIN), Spacer(1, 4)]
    for section in sections:
        found.append(Paragraph(latin(section.heading), HEAD))
        found.append(_table(section, width) if section.rows else Paragraph('Nothing.', PLAIN))
    found += [Spacer(1, 6), *(Paragraph(latin(one), SMALL) for one in notes)]
    document = SimpleDocTemplate(
        out,
        pagesize=page,
        leftMargin=_MARGIN,
        rightMargin=_MARGIN,
        topMargin=_MARGIN,
        bottomMargin=_MARGIN,
        title=title.encode('latin-1', 'replace').decode('latin-1'),
        invariant=1,
    )

    def number(canvas: Canvas, _document: Any) -> None:
        canvas.setFont('Helvetica', 7)
        canvas.drawRightString(page[0] - _MARGIN, 8 * mm, f'Page {canvas.getPageNumber()}')

    document.build(found, onFirstPage=number, onLaterPages=number)
    return out.getvalue()


def _table(section: Section, width: float) -> Table:
    rows: list[list[Any]] = [[Paragraph(latin(one), BOLD) for one in section.columns]]
    rows += [[Paragraph(latin(one), PLAIN) for one in row] for row in section.rows]
    count = len(section.columns)
    table = Table(rows, colWidths=[width * share for share in section.shares or (1 / count,) * count], repeatRows=1)
    table.setStyle(
        TableStyle(
            [
                ('VALIGN', (0, 0), (-1, -1), 'TOP'),
                ('TOPPADDING', (0, 0), (-1, -1), 1.5),
                ('BOTTOMPADDING', (0, 0), (-1, -1), 1.5),
                ('LEFTPADDING', (0, 0), (-1, -1), 1),
                ('RIGHTPADDING', (0, 0), (-1, -1), 3),
                ('LINEBELOW', (0, 0), (-1, -1), 0.25, colors.grey),
            ]
        )
    )
    return table
