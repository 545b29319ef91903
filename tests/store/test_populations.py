"""What a school's pilots are like, kept in numbered snapshots; what a pilot is believed to do follows from laps and snapshot alone."""

import uuid
from datetime import UTC, datetime, timedelta
from threading import Barrier, Thread

import pytest
from sqlalchemy import select, text

from bullseye.core.brief.setup import power_share, prior_deceleration_fps2
from bullseye.core.learn.fit import calibrate
from bullseye.core.learn.population import Population
from bullseye.jobs.worker import work
from bullseye.store import scope
from bullseye.store.database import open_engine, session_maker
from bullseye.store.flying import correcting, laps, sortielist, sorties
from bullseye.store.flying.requests import live_request
from bullseye.store.learning import populations
from bullseye.store.learning.flown import flown_laps
from bullseye.store.rows.flying import Lap, PopulationSnapshot
from bullseye.store.rows.people import School, User


@pytest.fixture
def sessions(demo_url):
    engine = open_engine(demo_url)
    yield session_maker(engine)
    engine.dispose()


def bound(db):
    scope.see_every_school(db)
    marta = db.scalars(select(User).where(User.role == 'chief')).one()
    scope.bind(db, marta.school_id)
    return marta


def sortie_of(db, marta, name):
    line = next(
        one
        for one in sortielist.page(db, marta, sortielist.Wanted()).rows
        if one['student_name'].startswith(name) and not one['laps']
    )
    return sorties.find(db, line['id'], person=marta)


def from_scratch(db, sortie):
    """What all laps of the school teach of a sortie, without any window kept or statement shared."""
    rows = db.execute(
        select(Lap.flown, Lap.student_id, Lap.aircraft_id, Lap.flap, Lap.landing)
        .where(Lap.removed_at.is_(None), Lap.flown.is_not(None))
        .order_by(Lap.flown_at)
    ).all()
    everybody = [row for row in rows if (row.aircraft_id, row.flap) == (sortie.aircraft_id, sortie.flap)]
    pilots = [row for row in rows if row.student_id == sortie.student_id]
    own = [row for row in pilots if row in everybody and row.landing == sortie.landing]
    request = live_request(db, sortie)
    number = db.scalar(select(PopulationSnapshot.number).order_by(PopulationSnapshot.number.desc()).limit(1))
    kinds = {} if number is None else db.get_one(PopulationSnapshot, (sortie.school_id, number)).kinds
    figures = kinds.get(sortie.landing) or kinds.get('all')
    return calibrate(
        aircraft_laps=flown_laps([row.flown for row in everybody][-150:][::-1]),
        pilot_laps=flown_laps([row.flown for row in own][-40:]),
        other_laps=flown_laps([row.flown for row in pilots if row not in own][-30:]),
        population=Population(**figures) if figures else Population(),
        prior_deceleration_fps2=prior_deceleration_fps2(request),
        power_share=power_share(request.landing),
    )


def write(db, sortie, marta, lap_id=None, **seen):
    lap_id = lap_id or uuid.uuid4()
    values = {'outcome': 'touch_and_go', 'along_ft': 900.0, 'known_by': {}} | seen
    laps.keep(db, sortie, lap_id=lap_id, by=marta, values=values)
    return lap_id


def test_the_worker_looks_at_the_pilots_and_the_next_brief_starts_from_them(sessions, demo_url):
    with sessions() as db:
        marta = bound(db)
        before = populations.populations_of(db, ['normal'])['normal']
    work(demo_url, until_done=True)
    with sessions() as db:
        marta = bound(db)
        known = populations.populations_of(db, ['normal'])['normal']
        assert before.pilots == 0 or before == known
        assert known.pilots >= 3
        assert known != Population()
        # a pilot of whom nothing is known starts from the school, in a kind that nobody has flown too
        sortie = sortie_of(db, marta, 'Ines')
        newcomer = db.scalars(select(User).where(User.role == 'instructor')).first()
        sorties.change(db, sortie, by=marta, values={'student_id': newcomer.id})
        found = live_request(db, sortie).calibration
        assert found.laps == 0
        assert found.bias_ft == pytest.approx(known.bias_ft, abs=0.1)
        assert found.speed_habit_kt == pytest.approx(known.habit_kt, abs=0.01)
        # looked at once a week, not at every start
        scope.see_every_school(db)
        now = datetime.now(UTC)
        assert populations.schools_due(db, now=now) == []
        assert populations.schools_due(db, now=now + timedelta(days=8)) == [marta.school_id]


def test_a_belief_is_that_of_the_laps_and_the_snapshot_after_any_order_of_writes(sessions):
    with sessions() as db:
        marta = bound(db)
        sortie = sortie_of(db, marta, 'Owen')
        number = populations.take_snapshot(db, marta.school_id)
        first = write(db, sortie, marta, along_ft=760.0, threshold_speed_kias=66.0)
        second = write(db, sortie, marta, along_ft=1_020.0)
        write(db, sortie, marta, landing='short_field', along_ft=880.0)
        gone = write(db, sortie, marta, outcome='go_around', along_ft=None, marks=['going_long'])
        db.commit()
        assert live_request(db, sortie).calibration == from_scratch(db, sortie)
        with_it = live_request(db, sortie).calibration
        # corrected, excluded, taken away, and a write that is rolled back
        correcting.correct(db, sortie, first, by=marta, measure='along_ft', value=640.0)
        assert live_request(db, sortie).calibration == from_scratch(db, sortie) != with_it
        write(db, sortie, marta, lap_id=second, along_ft=1_020.0, excluded='gust')
        correcting.remove(db, sortie, gone, by=marta)
        db.commit()
        now = live_request(db, sortie).calibration
        assert now == from_scratch(db, sortie)
        lost = uuid.uuid4()
        values = {'outcome': 'touch_and_go', 'along_ft': 2_000.0, 'known_by': {}}
        laps.keep(db, sortie, lap_id=lost, by=marta, values=values, batch=laps.LapBatch.of(db, [lost]))
        assert live_request(db, sortie).calibration != now
        db.rollback()
        scope.bind(db, marta.school_id)
        assert live_request(db, sortie).calibration == now == from_scratch(db, sortie)
        # another snapshot is another number; the one before stays as it was
        kept = db.get_one(PopulationSnapshot, (sortie.school_id, number)).kinds
        assert populations.take_snapshot(db, marta.school_id) == number + 1
        assert live_request(db, sortie).calibration == from_scratch(db, sortie)
        assert db.get_one(PopulationSnapshot, (sortie.school_id, number)).kinds == kept


def test_a_go_around_that_was_going_to_be_long_moves_the_next_aim_back(sessions):
    with sessions() as db:
        marta = bound(db)
        sortie = sortie_of(db, marta, 'Priya')
        before = live_request(db, sortie).calibration
        for _ in range(3):
            write(db, sortie, marta, outcome='go_around', along_ft=None, marks=['going_long'])
        write(db, sortie, marta, outcome='go_around', along_ft=None)  # for another reason: it tells nothing
        db.commit()
        after = live_request(db, sortie).calibration
        assert after.bias_ft > before.bias_ft + 5
        assert after.laps == before.laps
        # three flights of it are kept for learning, the fourth is not
        flown = db.scalars(select(Lap.flown).where(Lap.sortie_id == sortie.id)).all()
        assert sum(one is not None for one in flown) == 3


def test_those_who_write_laps_of_one_aircraft_do_not_wait_for_each_other(sessions):
    with sessions() as db:
        marta = bound(db)
        numbers = [sortie_of(db, marta, name).id for name in ('Ines', 'Owen', 'Priya')]
        for number in numbers:
            sorties.change(
                db,
                sorties.find(db, number, person=marta),
                by=marta,
                values={'aircraft_id': sortie_of(db, marta, 'Owen').aircraft_id},
            )
    together, failed = Barrier(len(numbers)), []

    def fly(number):
        try:
            with sessions() as db:
                marta = bound(db)
                sortie = sorties.find(db, number, person=marta, right='coach', lock=True)
                for along_ft in (700.0, 900.0):
                    laps.keep(
                        db,
                        sortie,
                        lap_id=uuid.uuid4(),
                        by=marta,
                        values={'outcome': 'touch_and_go', 'along_ft': along_ft, 'known_by': {}},
                    )
                db.flush()
                together.wait(timeout=20)  # all have written before any commits: nobody holds a row that others need
                db.commit()
        except Exception as error:
            failed.append(error)
            together.abort()

    flying = [Thread(target=fly, args=(number,)) for number in numbers]
    for one in flying:
        one.start()
    for one in flying:
        one.join(timeout=60)
    assert not failed
    with sessions() as db:
        marta = bound(db)
        for number in numbers:
            sortie = sorties.find(db, number, person=marta)
            assert live_request(db, sortie).calibration == from_scratch(db, sortie)


def test_the_bytes_of_tracks_are_counted_as_they_come_and_go(sessions):
    with sessions() as db:
        marta = bound(db)

        def kept():
            db.expire_all()
            counted = db.scalar(select(School.track_bytes).where(School.id == marta.school_id))
            summed = db.execute(
                text('select coalesce(sum(size), 0) from track_file where raw is not null')
            ).scalar_one()
            return counted, summed

        counted, summed = kept()
        assert counted == summed > 0
        copy = text(
            'insert into track_file select (jsonb_populate_record(one, jsonb_build_object('
            "'id', gen_random_uuid(), 'digest', 'x', 'size', 77))).* from track_file one where raw is not null limit 1"
        )
        db.execute(copy)
        assert kept() == (counted + 77, summed + 77)
        db.execute(text("update track_file set raw = null where digest = 'x'"))
        assert kept() == (counted, summed)
        db.execute(text('delete from track_file where raw is not null'))
        assert kept() == (0, 0)
        db.rollback()
        scope.bind(db, marta.school_id)
        assert kept() == (counted, summed)
