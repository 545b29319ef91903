"""Where else somebody is named: in words that others wrote, which a program finds and a person puts right.

A whole name is looked for, and each part of it that is a word of its own, whatever its case: "Ines flared late" names
Ines Carvalho too, and perhaps another Ines.
"""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from typing import Final

from sqlalchemy import ColumnElement, Select, String, and_, cast, func, or_, select
from sqlalchemy.orm import InstrumentedAttribute, Session

from bullseye.store.rows.equipment import Aircraft, Airfield, Standard, Technique
from bullseye.store.rows.flying import Lap, LapRevision, Sortie
from bullseye.store.rows.record import Exercise, ExerciseNote, Homework, LogEntry, SignOff
from bullseye.store.rows.tracks import TrackFile

_LEAST_PART: Final = 3  # letters; shorter parts of a name are in half of all words
_MOST_TOLD: Final = 40
# what people wrote, where it stands, and what the place is called by
_WRITTEN: Final[tuple[tuple[InstrumentedAttribute[object], InstrumentedAttribute[object], str], ...]] = (
    (Sortie.cancelled_for, Sortie.id, 'Why sortie {} was cancelled'),
    (Sortie.overruled, Sortie.id, 'A reason for a number set by hand in sortie {}'),
    (Sortie.lap_plan, Sortie.id, 'The lap plan of sortie {}'),
    (Lap.note, Lap.sortie_id, 'The note of a lap of sortie {}'),
    (Lap.overruled, Lap.sortie_id, 'A reason for a number set by hand, on a lap of sortie {}'),
    (LapRevision.values, LapRevision.lap_id, 'An earlier version of lap {}'),
    (ExerciseNote.words, ExerciseNote.student_id, 'A note in the record of person number {}'),
    (Homework.words, Homework.student_id, 'Homework of person number {}'),
    (LogEntry.spec, LogEntry.person_id, 'A line in the logbook of person number {}'),
    (SignOff.words, SignOff.student_id, 'What was signed for person number {}'),
    (TrackFile.name, TrackFile.id, 'The name of the recording {}'),
    (TrackFile.report, TrackFile.id, 'What the recording {} says of itself'),
    (Airfield.name, Airfield.id, 'The name of field {}'),
    (Airfield.marks, Airfield.name, 'A ground mark of {}'),
    (Aircraft.spec, Aircraft.name, 'The aircraft {}'),
    (Technique.spec, Technique.name, 'The technique {}'),
    (Standard.spec, Standard.name, 'The standard {}'),
    (Exercise.spec, Exercise.code, 'The exercise {} of the syllabus'),
)


def pattern_of(names: Sequence[str]) -> str:
    """A regular expression of PostgreSQL for names and the parts of them that are words of their own."""
    # of an address only what stands before the @: the rest is the school's
    parts = {part for name in names for part in re.split(r'[\s.,_-]+', name.split('@')[0]) if len(part) >= _LEAST_PART}
    wanted = sorted({*names, *parts} - _OF_NO_NAME, key=len, reverse=True)
    return r'\m(' + '|'.join(re.sub(r'([^\w\s])', r'\\\1', one) for one in wanted) + r')\M'


_OF_NO_NAME: Final = {'von', 'van', 'der', 'den', 'del', 'dos', 'the'}


def named_in(db: Session, school_id: int, names: Sequence[str]) -> list[str]:
    """The places, in words, where what people wrote names somebody; told to whoever erases them."""
    pattern = pattern_of(names)
    found: dict[str, None] = {}
    for words, place, said in _WRITTEN:
        for at in db.scalars(_where(words, place, school_id, pattern)):
            found[said.format(at) + '.'] = None
            if len(found) > _MOST_TOLD:
                return [*list(found)[:_MOST_TOLD], 'There are more: put these right, and look again.']
    return list(found)


def _where(
    words: InstrumentedAttribute[object], place: InstrumentedAttribute[object], school_id: int, pattern: str
) -> Select[object]:
    return (
        select(place)
        .where(words.class_.school_id == school_id, _says(words, pattern))
        .group_by(place)
        .order_by(place)
        .limit(_MOST_TOLD + 1)
    )


def _says(words: ColumnElement[object] | InstrumentedAttribute[object], pattern: str) -> ColumnElement[bool]:
    return and_(words.is_not(None), cast(words, String).regexp_match(pattern, flags='i'))


def files_named(db: Session, school_id: int, names: Sequence[str]) -> Iterator[TrackFile]:
    """Recordings whose file names hold one of the whole names."""
    lower = [func.strpos(func.lower(TrackFile.name), name.lower()) > 0 for name in names]
    yield from db.scalars(select(TrackFile).where(TrackFile.school_id == school_id, or_(*lower)))
