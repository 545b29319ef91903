import pytest
from alembic import command
from alembic.util import CommandError
from sqlalchemy import create_engine, exists, func, inspect, select, text, update
from sqlalchemy.exc import IntegrityError

from bullseye.core.basis.constants import MODEL_VERSION
from bullseye.demo import seed
from bullseye.store import scope
from bullseye.store.base import Base, SchoolOwned
from bullseye.store.database import open_engine, session_maker
from bullseye.store.flying import judging, reworking
from bullseye.store.rows.flying import Lap, Sortie
from bullseye.store.rows.installation import Installation
from bullseye.store.rows.people import School, User
from bullseye.store.whole import upgrade


@pytest.fixture
def sessions(demo_url):
    engine = open_engine(demo_url)
    yield session_maker(engine)
    engine.dispose()


def test_models_and_migrations_say_the_same(demo_url):
    command.check(upgrade.alembic_config(demo_url))


def test_the_migrations_run_down_and_up_again_on_rows(demo_url):
    config = upgrade.alembic_config(demo_url)
    engine = create_engine(demo_url)
    with engine.connect() as db:
        head = db.execute(text('select version_num from alembic_version')).scalar_one()
    command.downgrade(config, 'base')
    assert inspect(engine).get_table_names() == ['alembic_version']
    upgrade.upgrade(demo_url)
    with engine.connect() as db:
        assert db.execute(text('select version_num from alembic_version')).scalar_one() == head
    engine.dispose()


def _judged(sessions):
    """What every lap of the demo is judged to be."""
    with sessions() as db:
        scope.see_every_school(db)
        rows = db.scalars(select(Lap).order_by(Lap.id)).all()
        found = judging.results_of(db, rows)
        return {
            row.id: (one.brief.aim.aim_point_ft, one.brief.wind.headwind_kt, one.score.points, one.diagnosis.error_ft)
            for row, one in zip(rows, found, strict=True)
        }


def test_laps_flown_before_wind_was_kept_true_are_judged_as_they_were(sessions, demo_url):
    with sessions() as db:
        scope.see_every_school(db)
        row = db.scalars(select(Lap)).first()
        row.wind_kt, row.wind_dir_deg_true = 7.0, 3.25  # west of north by the compass: through 360
        db.commit()
    before = _judged(sessions)
    assert len(before) > 40
    config = upgrade.alembic_config(demo_url)
    command.downgrade(config, '20261126_05')
    engine = create_engine(demo_url)
    with engine.connect() as db:
        wind = db.execute(text('select request, wind_dir_deg_mag from lap where wind_dir_deg_mag is not null')).one()
        assert {'aircraft', 'runway', 'weather', 'standard', 'technique', 'calibration', 'aim_point_ft'} <= set(wind[0])
        variation = wind[0]['runway']['magnetic_variation_deg']
        assert wind[1] == pytest.approx((3.25 - variation) % 360)
    engine.dispose()
    upgrade.upgrade(demo_url)
    after = _judged(sessions)
    assert after.keys() == before.keys()
    for lap_id, figures in before.items():
        assert after[lap_id] == pytest.approx(figures, abs=1e-6), lap_id


def test_laps_of_a_wind_that_nobody_gave_are_told_apart_by_the_update(sessions, demo_url):
    command.downgrade(upgrade.alembic_config(demo_url), '20261128_19')
    with sessions() as db:
        scope.see_every_school(db)
        flown = func.jsonb_typeof(Lap.flown) == 'array'
        of = db.scalars(select(Lap.sortie_id).where(flown).group_by(Lap.sortie_id).having(func.count() > 2)).all()
        never, given = of[:2]
        one = db.scalars(select(Lap.id).where(Lap.sortie_id == never, flown)).first()
        db.execute(update(Lap).where(Lap.sortie_id.in_([never, given])).values(wind_kt=None, wind_dir_deg_true=None))
        db.execute(update(Lap).where(Lap.id == one).values(wind_kt=6.0, wind_dir_deg_true=50.0))
        db.execute(update(Sortie).where(Sortie.id == never).values(weather_at=None))
        taught = dict(db.execute(select(Lap.id, flown).where(Lap.sortie_id.in_([never, given]))).all())
        db.commit()
    upgrade.upgrade(demo_url)
    with sessions() as db:
        scope.see_every_school(db)
        for lap in db.scalars(select(Lap).where(Lap.sortie_id.in_([never, given]))):
            assert (lap.briefed_wind_kt is None) == (lap.sortie_id == never)
            assert 'given' not in (lap.conditions or {})
            assert (lap.flown is not None) == (taught[lap.id] and (lap.sortie_id == given or lap.id == one))
        unknown, known = db.get_one(Sortie, never), db.get_one(Sortie, given)
        assert (unknown.wind_kt, unknown.wind_dir_deg_true, unknown.gust_kt) == (None, None, None)
        assert known.wind_kt is not None
        with pytest.raises(IntegrityError, match='no_wind_is_no_calm'):
            db.execute(update(Sortie).where(Sortie.id == never).values(wind_kt=0.0))


def test_a_database_of_a_newer_version_is_left_alone(demo_url):
    engine = create_engine(demo_url)
    with engine.begin() as db:
        db.execute(text("update alembic_version set version_num = '29990101_01'"))
    with pytest.raises(upgrade.NewerDatabase, match='newer version of Bullseye'):
        upgrade.upgrade(demo_url)
    with pytest.raises(CommandError):
        command.current(upgrade.alembic_config(demo_url), check_heads=True)
    engine.dispose()


def test_every_table_with_a_school_leads_its_indexes_with_it():
    for mapper in Base.registry.mappers:
        if issubclass(mapper.class_, SchoolOwned):
            for index in mapper.local_table.indexes:
                assert next(iter(index.columns)).name == 'school_id', index.name
    owned = {m.local_table.name for m in Base.registry.mappers if issubclass(m.class_, SchoolOwned)}
    with_school = {t.name for t in Base.metadata.tables.values() if 'school_id' in t.columns}
    assert with_school == owned


def test_a_session_bound_to_no_school_sees_nothing_at_all(sessions):
    with sessions() as db, pytest.raises(scope.NoSchool):
        db.scalars(select(Sortie)).all()
    with sessions() as db, pytest.raises(scope.NoSchool):
        db.scalar(select(func.count()).select_from(Lap))


def test_a_session_cannot_read_or_write_another_school(sessions):
    with sessions() as db:
        other = School(name='Sandling Aero')
        db.add(other)
        db.commit()
        demo_sortie = db.info.clear() or scope.see_every_school(db) or db.scalars(select(Sortie)).first()
        scope.bind(db, other.id)
        db.expunge_all()
        for model in (User, Sortie, Lap):
            assert db.scalars(select(model)).all() == []
        assert db.get(Sortie, demo_sortie.id) is None
        # what counts rows, or asks whether there are any, returns none of them and is narrowed all the same
        assert db.scalar(select(func.count()).select_from(Lap)) == 0
        assert db.scalar(select(func.max(Sortie.planned_on))) is None
        assert db.scalar(select(exists().where(User.role == 'chief'))) is False
        assert db.execute(select(Lap.flap, func.count()).group_by(Lap.flap)).all() == []
        assert db.execute(update(Sortie).values(fuel_gal=1.0)).rowcount == 0
        db.add(User(school_id=demo_sortie.school_id, login='spy', name='Spy', role='chief', password_hash='x'))
        with pytest.raises(scope.NoSchool):
            db.flush()


def test_the_demo_is_filled_once_and_brought_to_today(sessions):
    from datetime import date, timedelta

    with sessions() as db:
        assert seed.seed(db, today=date.today()) is False
        assert db.get_one(Installation, 1).demo_seeded_at is not None
        later = date.today() + timedelta(days=9)
        scope.see_every_school(db)
        changed = db.scalars(select(Sortie).where(Sortie.planned_on == date.today())).first()
        changed.from_demo = False  # somebody's by now
        kept_id = changed.id
        db.commit()
        seed.bring_forward(db, today=later)
        scope.see_every_school(db)
        days = dict(db.execute(select(Sortie.id, Sortie.planned_on)).all())
        assert days[kept_id] == date.today()
        assert list(days.values()).count(later) == 3


def test_laps_of_an_older_model_are_worked_out_again_and_teach_as_if_flown_today(sessions):
    with sessions() as db:
        scope.see_every_school(db)
        before = {row.id: row.flown for row in db.scalars(select(Lap))}
        one = db.scalars(select(Lap).where(Lap.flown.is_not(None)).order_by(Lap.id)).first()
        broken_id = one.id
        db.execute(update(Lap).values(model_version='1', flown=None))
        db.execute(update(Lap).where(Lap.id == broken_id).values(belief={'scatter_ft': -1}))
        db.commit()
        scope.bind(db, one.school_id)
        assert reworking.outdated(db).laps == len(before)
        scope.see_every_school(db)
        assert reworking.rework_laps(db) == len(before)
        assert reworking.rework_laps(db) == 0  # one that cannot be read is not tried for ever
        db.expire_all()
        after = {row.id: row.flown for row in db.scalars(select(Lap))}
        assert after.pop(broken_id) is None
        before.pop(broken_id)
        assert after == before
        assert {row.model_version for row in db.scalars(select(Lap))} == {MODEL_VERSION}


def test_a_lap_that_somebody_is_writing_is_left_for_later(sessions):
    with sessions() as db, sessions() as other:
        scope.see_every_school(db)
        scope.see_every_school(other)
        db.execute(update(Lap).values(model_version='1'))
        db.commit()
        held = other.scalars(select(Lap).order_by(Lap.id).limit(1).with_for_update()).one()
        count = len(db.scalars(select(Lap.id)).all())
        assert reworking.rework_laps(db) == count - 1
        assert held.id not in set(db.scalars(select(Lap.id).where(Lap.model_version == MODEL_VERSION)))
        other.rollback()
        assert reworking.rework_laps(db) == 1
