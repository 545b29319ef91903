"""The chief's view: who is ready, who is stuck and on what, and what costs most; each figure is worked out once."""

from __future__ import annotations

import hashlib
import math
import statistics
from collections import Counter, defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import asdict, dataclass
from datetime import UTC, date, datetime, timedelta
from typing import Any

from pydantic import TypeAdapter, ValidationError
from sqlalchemy import func, select, update
from sqlalchemy.orm import Session

from bullseye.core.basis.constants import MODEL_VERSION
from bullseye.core.basis.kinds import LandingKind
from bullseye.core.basis.unknown import known_or
from bullseye.core.given.standards import Standard as CoreStandard
from bullseye.core.given.standards import Tolerance
from bullseye.core.record.evidence import Flown
from bullseye.core.record.progress import progress_of
from bullseye.store.equipment import catalogue
from bullseye.store.people.roles import require_coach
from bullseye.store.record import evidence, syllabus
from bullseye.store.rows.equipment import Aircraft, Standard
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.store.rows.people import School, User
from bullseye.store.rows.record import SignOff, Standing

MOST_STUDENTS = 300  # [own] on one page; more are told to be left out
_STUCK_LAPS = 20  # [own] judged landings, after which whoever is not at standard is stuck
_CLOSE = 0.5  # [own] sure, from which a student is close
_LEAST = 4  # [own] figures, before a mean of them is told
_LIKE = 4.0  # [own] figures of the whole school that each mean is drawn towards
_FLOWN = TypeAdapter(list[Flown])


@dataclass(frozen=True, slots=True, kw_only=True)
class KindLine:
    """Where a student stands in one kind of landing."""

    landing: LandingKind
    state: str  # at_standard, likely, not_yet, unknown
    chance: float | None
    sure: float | None
    judged: int
    last_on: date
    mean_ft: float | None
    scatter_ft: float | None
    is_stale: bool
    is_stuck: bool
    weakest: str | None
    not_judged: list[str]  # criteria that were not measured often enough


@dataclass(frozen=True, slots=True, kw_only=True)
class StudentLine:
    """One student as the chief sees them."""

    id: int
    name: str
    standard: str
    last_flown_on: date | None
    kinds: tuple[KindLine, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Cost:
    """How often landings touch in their window somewhere, drawn towards the whole school's, with 95 % interval."""

    name: str
    landings: int
    hit_rate: float
    low: float
    high: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Needed:
    """How many laps an exercise took before it was signed, mean with 95 % interval, drawn towards the school's."""

    name: str
    by: str | None  # by an instructor, or in an aircraft; None: everybody
    signed: int
    laps: float
    low: float
    high: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Overview:
    """The school at a glance."""

    students: tuple[StudentLine, ...]
    left_out: int
    fields: tuple[Cost, ...]
    winds: tuple[Cost, ...]
    hours: tuple[Cost, ...]
    aircraft: tuple[Cost, ...]
    needed: tuple[Needed, ...]
    sorties_this_month: int
    sorties_last_month: int
    signed_this_month: int


def overview(db: Session, *, by: User, today: date) -> Overview:
    """Where every student stands.

    :raises NotAllowed: for a student
    """
    require_coach(by)
    school = db.get_one(School, by.school_id)
    people = list(
        db.scalars(
            select(User)
            .where(User.school_id == by.school_id, User.role == 'student', User.is_active)
            .order_by(User.name)
            .limit(MOST_STUDENTS + 1)
        )
    )
    shown = people[:MOST_STUDENTS]
    standards = _standards_of(db, by.school_id, [one.id for one in shown])
    rows = _standing_rows(db, by.school_id, shown)
    flown: list[tuple[Flown, Tolerance]] = []
    lines = []
    for person in shown:
        standard = standards.get(person.id) or _first_standard(db)
        of_person, facts = _kinds_of(db, school, rows.get(person.id, {}), standard, today)
        flown += facts
        days = [line.last_on for line in of_person]
        lines.append(
            StudentLine(
                id=person.id,
                name=person.name,
                standard=standard.name,
                last_flown_on=max(days, default=None),
                kinds=of_person,
            )
        )
    db.commit()
    month = timedelta(days=30)
    return Overview(
        students=tuple(lines),
        left_out=len(people) - len(shown),
        fields=_costs(flown, lambda one: one.runway),
        winds=_costs(flown, _wind_of),
        hours=_costs(flown, _hour_of),
        aircraft=_costs(flown, lambda one: one.aircraft),
        needed=_needed(db, by.school_id),
        sorties_this_month=_flown_sorties(db, by.school_id, today - month, today),
        sorties_last_month=_flown_sorties(db, by.school_id, today - 2 * month, today - month),
        signed_this_month=_signed_since(db, by.school_id, today - month),
    )


def _standards_of(db: Session, school_id: int, ids: Sequence[int]) -> dict[int, CoreStandard]:
    """The standard of each student's latest sortie, in one statement."""
    if not ids:
        return {}
    latest = (
        select(Sortie.standard_id)
        .where(Sortie.school_id == school_id, Sortie.student_id == User.id, Sortie.removed_at.is_(None))
        .order_by(Sortie.planned_on.desc(), Sortie.id.desc())
        .limit(1)
        .correlate(User)
        .scalar_subquery()
    )
    query = select(User.id, latest).where(User.school_id == school_id, User.id.in_(ids))
    by_id = {row.id: catalogue.standard_of(row) for row in db.scalars(select(Standard))}
    return {person_id: by_id[standard_id] for person_id, standard_id in db.execute(query) if standard_id in by_id}


def _first_standard(db: Session) -> CoreStandard:
    return catalogue.standard_of(db.scalars(select(Standard).order_by(Standard.id)).first())  # type: ignore[arg-type]


def _standing_rows(db: Session, school_id: int, people: Sequence[User]) -> dict[int, dict[str, Standing]]:
    """What is kept of the students' laps; for whom nothing is kept it is worked out."""
    rows: dict[int, dict[str, Standing]] = defaultdict(dict)

    def read() -> None:
        rows.clear()
        for row in db.scalars(
            select(Standing).where(Standing.school_id == school_id).execution_options(populate_existing=True)
        ):
            rows[row.student_id][row.landing] = row

    read()
    missing = [
        one
        for one in people
        if len(rows[one.id]) < len(evidence.KINDS)
        or any(row.model_version != MODEL_VERSION for row in rows[one.id].values())
    ]
    for one in missing:
        evidence.flown_by(db, school_id, one.id)
    if missing:
        read()
    return rows


def _key(tolerance: Tolerance, needed: float) -> str:
    return hashlib.sha256(f'2 {tolerance} {needed}'.encode()).hexdigest()[:16]


def _kinds_of(
    db: Session, school: School, rows: Mapping[str, Standing], standard: CoreStandard, today: date
) -> tuple[tuple[KindLine, ...], list[tuple[Flown, Tolerance]]]:
    lines, facts = [], []
    for kind in evidence.KINDS:
        row = rows.get(kind)
        if row is None or not row.laps or not standard.examines(kind):
            continue
        tolerance = standard.tolerance(kind)
        try:
            flown = _FLOWN.validate_python(row.flown)
        except ValidationError:  # of another version of the software: the page of the student makes it anew
            continue
        facts += [(one, tolerance) for one in flown]
        key = _key(tolerance, school.needed_chance)
        shown = row.shown.get(key)
        if shown is None:
            found = progress_of(flown, tolerance=tolerance, needed=school.needed_chance)
            known = found.readiness
            shown = {
                **{name: getattr(known, name) for name in ('state', 'chance', 'sure', 'judged', 'weakest')},
                'not_judged': list(known.not_judged) if known.chance is not None else [],
                'mean_ft': found.touchdown.mean,
                'scatter_ft': found.touchdown.scatter,
            }
            db.execute(
                update(Standing)
                .where(
                    Standing.school_id == row.school_id, Standing.student_id == row.student_id, Standing.landing == kind
                )
                .values(shown={**row.shown, key: shown})
                .execution_options(synchronize_session=False)
            )
        last_on = flown[-1].flown_at.date()
        lines.append(
            KindLine(
                landing=kind,
                last_on=last_on,
                is_stale=(today - last_on).days > school.stale_days,
                is_stuck=shown['judged'] >= _STUCK_LAPS and shown['state'] == 'not_yet',
                **shown,
            )
        )
    return tuple(lines), facts


def _wind_of(one: Flown) -> str | None:
    if one.crosswind_kt is None:
        return None
    across = abs(one.crosswind_kt)
    return 'under 3 kt across' if across < 3 else '3 to 6 kt across' if across < 6 else '6 kt across and more'


def _hour_of(one: Flown) -> str:
    hour = one.flown_at.astimezone(UTC).hour
    return f'{hour // 3 * 3:02d} to {hour // 3 * 3 + 3:02d} UTC'


def _costs(facts: Sequence[tuple[Flown, Tolerance]], name_of: Any) -> tuple[Cost, ...]:
    """Share of landings in the window by place, wind, hour or aircraft, the worst first.

    Each is drawn towards the whole school's as if so many more landings like those had been flown there; of few
    landings nothing is told. Interval: normal approximation of the beta distribution [com].
    """
    seen: dict[str, list[bool]] = defaultdict(list)
    for one, tolerance in facts:
        near = one.is_near(tolerance) if one.is_landing else None
        name = name_of(one)
        if near is not None and name is not None:
            seen[name].append(near)
    everything = [near for values in seen.values() for near in values]
    if not everything:
        return ()
    overall = statistics.fmean(everything)
    found = []
    for name, values in seen.items():
        if len(values) < 2 * _LEAST:
            continue
        n = len(values) + _LIKE
        rate = (sum(values) + _LIKE * overall) / n
        reach = 1.96 * math.sqrt(max(rate * (1 - rate), 0.01) / n)
        found.append(
            Cost(
                name=name, landings=len(values), hit_rate=rate, low=max(0.0, rate - reach), high=min(1.0, rate + reach)
            )
        )
    return tuple(sorted(found, key=lambda one: one.hit_rate))


def _needed(db: Session, school_id: int) -> tuple[Needed, ...]:
    """Laps flown before an exercise was signed, by exercise and by who signed; of few signatures nothing is told."""
    exercises = {one.code: one for one in syllabus.exercises(db, retired_too=True)}
    by_code = {code: one.landing for code, one in exercises.items() if one.landing is not None}
    signed = (
        select(SignOff.code, User.name, SignOff.student_id, SignOff.signed_at)
        .join(User, User.id == SignOff.signed_by)
        .where(SignOff.school_id == school_id, SignOff.kind == 'exercise', SignOff.code.in_(by_code))
        .order_by(SignOff.signed_at.desc())
        .limit(400)
    )
    aircraft = {row.id: row.name for row in db.execute(select(Aircraft.id, Aircraft.name))}
    counts: dict[tuple[str, str | None], list[int]] = defaultdict(list)
    for signed_code, instructor, student_id, signed_at in db.execute(signed).all():
        code = str(signed_code)
        before = (
            select(Lap.aircraft_id)
            .where(
                Lap.school_id == school_id,
                Lap.student_id == student_id,
                Lap.landing == by_code[code],
                Lap.removed_at.is_(None),
                Lap.flown_at <= signed_at,
            )
            .limit(500)
        )
        flown_in = Counter(db.scalars(before))
        name, laps = exercises[code].name, flown_in.total()
        counts[name, None].append(laps)
        counts[name, f'by {instructor}'].append(laps)
        if flown_in:  # the aircraft that most of them were flown in
            counts[name, f'in the {aircraft.get(flown_in.most_common(1)[0][0], "aircraft")}'].append(laps)
    found = []
    for (name, signer), values in counts.items():
        if len(values) < _LEAST:
            continue
        everybody = statistics.fmean(counts[name, None])
        n = len(values) + (_LIKE if signer else 0)
        mean = (sum(values) + (_LIKE * everybody if signer else 0)) / n
        reach = 1.96 * statistics.stdev(values) / math.sqrt(n)
        found.append(
            Needed(name=name, by=signer, signed=len(values), laps=mean, low=max(0.0, mean - reach), high=mean + reach)
        )
    return tuple(sorted(found, key=lambda one: (one.name, one.by or '')))


def _flown_sorties(db: Session, school_id: int, after: date, until: date) -> int:
    there = select(Lap.id).where(
        Lap.school_id == Sortie.school_id, Lap.sortie_id == Sortie.id, Lap.removed_at.is_(None)
    )
    query = (
        select(func.count())
        .select_from(Sortie)
        .where(
            Sortie.school_id == school_id,
            Sortie.planned_on > after,
            Sortie.planned_on <= until,
            Sortie.removed_at.is_(None),
            there.exists(),
        )
    )
    return known_or(db.scalar(query), 0)


def _signed_since(db: Session, school_id: int, after: date) -> int:
    since = datetime.combine(after, datetime.min.time(), UTC)
    query = (
        select(func.count())
        .select_from(SignOff)
        .where(SignOff.school_id == school_id, SignOff.signed_at >= since, SignOff.kind != 'correction')
    )
    return known_or(db.scalar(query), 0)


def sorted_out(found: Overview) -> dict[str, list[str]]:
    """Students by where they stand, each once: stuck before stale before close before at standard."""
    groups: dict[str, list[str]] = {'stuck': [], 'stale': [], 'close': [], 'at_standard': [], 'begun': []}
    for one in found.students:
        if any(kind.is_stuck for kind in one.kinds):
            groups['stuck'].append(one.name)
        elif any(kind.is_stale for kind in one.kinds):
            groups['stale'].append(one.name)
        elif any(kind.state == 'at_standard' for kind in one.kinds):
            groups['at_standard'].append(one.name)
        elif any(known_or(kind.sure, 0) >= _CLOSE for kind in one.kinds):
            groups['close'].append(one.name)
        else:
            groups['begun'].append(one.name)
    return groups


def as_rows(found: Overview) -> list[dict[str, Any]]:
    """A row for each student and kind, for CSV."""
    rows = []
    for one in found.students:
        for kind in one.kinds or ():
            rows.append({'student': one.name, 'standard': one.standard, **asdict(kind)})
    return rows
