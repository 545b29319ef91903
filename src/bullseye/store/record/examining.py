"""A sortie by every standard the school has, task by task; and the sortie that flies the tasks of one."""

from __future__ import annotations

from dataclasses import asdict, dataclass
from datetime import date, time
from typing import Any

from sqlalchemy.orm import Session

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import LandingKind
from bullseye.core.brief.lapplan import PlannedLap
from bullseye.core.record.examined import Examined, NumberedLap, examine
from bullseye.store.equipment import catalogue
from bullseye.store.errors import NotFound
from bullseye.store.flying import laps
from bullseye.store.flying.sorties import create
from bullseye.store.record import evidence, proposals
from bullseye.store.rows.equipment import Standard
from bullseye.store.rows.flying import Sortie
from bullseye.store.rows.people import User

# In the order in which an examiner usually asks for them [com]
_TASKS: tuple[tuple[LandingKind, str], ...] = (
    ('normal', 'as in the test: the first one counts'),
    ('soft_field', 'as in the test: nosewheel off, power on'),
    ('short_field', 'as in the test: one steady path to the aim point'),
    ('power_off', 'as in the test: from abeam the spot, no power'),
)


@dataclass(frozen=True, slots=True, kw_only=True)
class ByStandard:
    """A sortie by one standard."""

    row: Standard
    examined: Examined


def by_standards(db: Session, sortie: Sortie) -> list[ByStandard]:
    """A sortie by each standard in use, its own first."""
    flown = flown_of(db, sortie)
    rows = list(catalogue.all_standards(db))
    if sortie.standard not in rows:
        rows.append(sortie.standard)
    rows.sort(key=lambda row: (row.id != sortie.standard_id, row.id))
    return [ByStandard(row=row, examined=examine(flown, catalogue.standard_of(row))) for row in rows]


def by_standard(db: Session, sortie: Sortie, standard_id: int | None) -> ByStandard:
    """A sortie by one standard, by its own when none is named.

    :raises NotFound: when the school has no such standard
    """
    row = sortie.standard
    if standard_id is not None and standard_id != row.id:
        found = db.get(Standard, standard_id) if 0 < standard_id < 2**31 else None
        if found is None:
            raise NotFound('standard')
        row = found
    return ByStandard(row=row, examined=examine(flown_of(db, sortie), catalogue.standard_of(row)))


def flown_of(db: Session, sortie: Sortie) -> list[NumberedLap]:
    """Laps of a sortie as they are examined; those the instructor flew, or that were left out, are not."""
    rows = laps.of_sortie(db, sortie)
    field = sortie.runway_end.airfield.name
    found = []
    for number, lap in enumerate(rows, start=1):
        found += [NumberedLap(number=number, flown=one) for one in evidence.found_of(db, [(lap, field)])]
    return found


def mock_test(
    db: Session, student: User, *, by: User, standard_id: int | None, planned_on: date, planned_time: time | None
) -> Sortie:
    """Make the sortie of a mock test: one lap for each task of a standard, and a go-around.

    :raises InvalidInput: when the school has nothing to fly it with, or of the standard no landing can be planned
    :raises NotFound: when the school has no such standard
    """
    values = proposals.next_values(db, student, by=by, planned_on=planned_on)
    if standard_id is not None:
        values['standard_id'] = standard_id
    row = db.get(Standard, values['standard_id']) if 0 < values['standard_id'] < 2**31 else None
    if row is None:
        raise NotFound('standard')
    standard, aircraft = catalogue.standard_of(row), catalogue.aircraft(db, values['aircraft_id'])
    core = catalogue.aircraft_of(aircraft)
    kinds = [(kind, watch) for kind, watch in _TASKS if standard.can_plan(kind) and core.lands(kind)]
    if not kinds:
        raise InvalidInput(
            'standard_id',
            row.name,
            'one of which it is known where the wheels should touch: complete a copy of it under Standards first',
        )
    values |= {'landing': kinds[0][0], 'is_mock_test': True, 'planned_on': planned_on, 'planned_time': planned_time}
    sortie = create(db, by=by, values=values)
    sortie.lap_plan = _plan(sortie, kinds)
    db.commit()
    return sortie


def _plan(sortie: Sortie, kinds: list[tuple[LandingKind, str]]) -> list[dict[str, Any]]:
    runway = sortie.runway_end.ident
    planned = [PlannedLap(kind=kind, runway=runway, spot_ft=sortie.spot_ft, watch=watch) for kind, watch in kinds]
    around = PlannedLap(kind='go_around', runway=runway, spot_ft=None, watch='when told: power, level, flap in stages')
    return [asdict(one) for one in (*planned[:1], around, *planned[1:])]
