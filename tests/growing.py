"""A school of many years, and what an answer reads of it."""

from __future__ import annotations

import json
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from typing import Any

from sqlalchemy import Connection, Engine, event, text

LAPS_A_SORTIE = 14
PEOPLE, AIRCRAFT = 300, 30  # that a school has
_LAPS_A_PERSON, _LAPS_AN_AIRCRAFT = 220, 200  # at least, of those who fly: windows of the latest laps are full


def _columns(db: Connection, table: str, *, but: tuple[str, ...]) -> list[str]:
    query = (
        'select attname from pg_attribute where attrelid = cast(:table as regclass) and attnum > 0 and not attisdropped'
    )
    return [name for (name,) in db.execute(text(query), {'table': table}) if name not in but]


def _copy(db: Connection, table: str, source: str, changed: dict[str, str], *, but: tuple[str, ...] = ()) -> None:
    """Insert rows like ``one``, of the source, with some columns otherwise."""
    names = _columns(db, table, but=but)
    taken = ', '.join(changed.get(name, f'one."{name}"') for name in names)
    quoted = ', '.join(f'"{name}"' for name in names)
    db.execute(text(f'insert into {table} ({quoted}) select {taken} from {source}'))


def fill(engine: Engine, *, laps: int) -> None:
    """Fill the demo's school with so many laps more, in sorties over ten years, by many people in many aircraft."""
    sorties = max(1, laps // LAPS_A_SORTIE)
    flyers = max(1, min(PEOPLE, laps // _LAPS_A_PERSON))
    flown = max(1, min(AIRCRAFT, laps // _LAPS_AN_AIRCRAFT))
    with engine.begin() as db:
        school = db.execute(text('select id from school where is_demo')).scalar_one()
        db.execute(text('set local synchronous_commit = off'))
        login = "'p' || g || '@growing.example'"
        person = f"(select * from user_account where school_id = {school} and role = 'student' order by id limit 1) one"
        _copy(
            db,
            'user_account',
            f'{person}, generate_series(1, {PEOPLE}) g',
            {'login': login, 'name': "'Person ' || g"},
            but=('id',),
        )
        aircraft = f"(select * from aircraft where school_id = {school} and name = 'Marram 160') one"
        _copy(db, 'aircraft', f'{aircraft}, generate_series(1, {AIRCRAFT}) g', {'name': "'Marram ' || g"}, but=('id',))
        db.execute(
            text(
                'create temp table grown on commit drop as select g, '
                f"(select array_agg(id) from user_account where school_id = {school} and login like '%growing%') people, "
                f"(select array_agg(id) from aircraft where school_id = {school} and name ~ '^Marram [0-9]{{1,2}}$') planes "
                f'from generate_series(1, {sorties}) g'
            )
        )
        template = (
            f'(select sortie.* from sortie join aircraft on aircraft.id = aircraft_id where sortie.school_id = {school} '
            "and aircraft.name = 'Marram 160' and exists (select 1 from lap where lap.sortie_id = sortie.id) "
            'order by sortie.id limit 1) one'
        )
        _copy(
            db,
            'sortie',
            f'{template}, grown',
            {
                'student_id': f'people[1 + g % {flyers}]',
                'aircraft_id': f'planes[1 + g % {flown}]',
                'planned_on': 'current_date - g / 12',
                'from_demo': 'false',
            },
            but=('id',),
        )
        # laps like those of the demo, each at its own place and of one of the kinds
        of_demo = (
            f'(select lap.*, row_number() over (order by lap.id) as nth from lap join aircraft on aircraft.id = aircraft_id '
            f"where lap.school_id = {school} and aircraft.name = 'Marram 160' and flown is not null "
            f'order by lap.id limit {LAPS_A_SORTIE}) one'
        )
        of_sortie = f'(select * from sortie s where s.school_id = {school} and not from_demo) s'
        _copy(
            db,
            'lap',
            f'{of_sortie} cross join {of_demo}',
            {
                'id': 'gen_random_uuid()',
                'sortie_id': 's.id',
                'student_id': 's.student_id',
                'aircraft_id': 's.aircraft_id',
                'runway_end_id': 's.runway_end_id',
                'flown_at': "s.planned_on + time '14:00' + nth * interval '6 minutes'",
                'track_file_id': 'null',
                'track_event': 'null',
            },
        )
        tracks = f'(select * from track_file where school_id = {school} order by id limit 1) one'
        _copy(
            db,
            'track_file',
            f'{tracks}, (select * from generate_series(1, {max(150, laps // 500)}) g) g',
            {
                'id': 'gen_random_uuid()',
                'digest': "md5(g::text) || md5(g::text || 'x')",
                'raw': "'\\x00'::bytea",
                'size': '1',
                'report': 'null',
                'log': 'null',
                'sortie_id': 'null',
                'begun_at': "one.begun_at - g * interval '1 day'",
                'ended_at': "one.ended_at - g * interval '1 day'",
            },
        )
    with engine.connect().execution_options(isolation_level='AUTOCOMMIT') as db:
        db.execute(text('vacuum analyze'))


@dataclass(slots=True)
class Read:
    """Rows that statements looked at, pages they touched, and how many statements there were."""

    rows: float = 0.0
    pages: int = 0
    statements: int = 0
    worst: str = ''
    _most: float = field(default=0.0, repr=False)

    def add(self, plan: dict[str, Any], statement: str) -> None:
        rows = sum(_rows(node) for node in _nodes(plan))
        self.rows += rows
        self.pages += plan.get('Shared Hit Blocks', 0) + plan.get('Shared Read Blocks', 0)
        self.statements += 1
        if rows > self._most:
            self._most, self.worst = rows, f'{rows:.0f} rows: {" ".join(statement.split())[:300]}'


def _nodes(plan: dict[str, Any]) -> Iterator[dict[str, Any]]:
    yield plan
    for child in plan.get('Plans', ()):
        yield from _nodes(child)


def _rows(node: dict[str, Any]) -> float:
    """What a scan looked at, whether it kept it or not."""
    if 'Scan' not in node['Node Type'] or node['Node Type'] == 'Subquery Scan':
        return 0.0
    dropped = node.get('Rows Removed by Filter', 0) + node.get('Rows Removed by Index Recheck', 0)
    return float((node.get('Actual Rows', 0) + dropped) * node.get('Actual Loops', 1))


@contextmanager
def counted(engine: Engine, *, by_index: bool = False) -> Iterator[Read]:
    """Explain every statement that runs meanwhile, and count what it read; what it wrote is taken back first.

    :param by_index: read small tables by index too, as the planner does once they are large
    """
    found, busy = Read(), False

    def explain(
        connection: Connection, cursor: Any, statement: str, parameters: Any, _context: Any, executemany: bool
    ) -> None:
        nonlocal busy
        kind = statement.lstrip('( \n').split(None, 1)[0].lower()
        if busy or executemany or kind not in ('select', 'insert', 'update', 'delete', 'with'):
            return
        busy = True
        try:
            own = connection.connection.cursor()
            own.execute('savepoint counted')
            if by_index:
                own.execute('set local enable_seqscan = off')
            own.execute(f'explain (analyze, buffers, timing off, format json) {statement}', parameters)
            ((plans,),) = own.fetchall()
            own.execute('rollback to savepoint counted')
            own.close()
            plans = json.loads(plans) if isinstance(plans, str) else plans
            found.add(plans[0]['Plan'], statement)
        finally:
            busy = False

    event.listen(engine, 'before_cursor_execute', explain)
    try:
        yield found
    finally:
        event.remove(engine, 'before_cursor_execute', explain)
