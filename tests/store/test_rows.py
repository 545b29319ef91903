"""Rules that hold in the database itself, whoever writes to it."""

import uuid

import psycopg
import pytest
from sqlalchemy import create_engine, text
from sqlalchemy.exc import DBAPIError, IntegrityError


@pytest.fixture
def db(demo_url):
    engine = create_engine(demo_url)
    with engine.connect() as connection:
        yield connection
    engine.dispose()


def change(db, statement, **values):
    with db.begin_nested() if db.in_transaction() else db.begin():
        db.execute(text(statement), values)


@pytest.mark.parametrize(
    ('statement', 'constraint'),
    [
        ("update lap set outcome = 'splash'", 'ck_lap_outcome_known'),
        ("update lap set outcome = 'go_around'", 'ck_lap_go_around_has_no_touchdown'),
        ('update lap set float_s = -1', 'ck_lap_float_not_negative'),
        ("update lap set drift = 'up'", 'ck_lap_drift_known'),
        ("update lap set flown_at = '0001-01-01T00:00+14:00'", 'ck_lap_flown_at_in_range'),
        ("update lap set flown_at = '9999-12-31T23:59:59-12:00'", 'ck_lap_flown_at_in_range'),
        ("update track_file set begun_at = '1999-12-31T23:59Z', dated = true", 'ck_track_file_begun_at_in_range'),
        ("update track_file set ended_at = '2100-01-01T00:00Z', dated = true", 'ck_track_file_ended_at_in_range'),
        ("update sortie set planned_on = '2100-01-01'", 'ck_sortie_planned_on_in_range'),
        ("update sortie set landing = 'water'", 'ck_sortie_landing_known'),
        ("update sortie set takeoff = 'catapult'", 'ck_sortie_takeoff_known'),
        ('update sortie set gust_kt = wind_kt - 1', 'ck_sortie_gust_not_below_wind'),
        ("update user_account set role = 'king'", 'ck_user_account_role_known'),
        ("update user_account set login = 'Marta' where role = 'chief'", 'ck_user_account_login_lower_case'),
        ("update sortie set wind_source = 'guess'", 'ck_sortie_wind_source_known'),
        ("update aircraft set name = 'Marram 160'", 'uq_aircraft_school_id_name'),
        ('insert into installation (id) values (2)', 'ck_installation_one_row'),
    ],
)
def test_a_rule_is_a_constraint_as_well(db, statement, constraint):
    with pytest.raises(IntegrityError) as refusal:
        change(db, statement)
    assert isinstance(refusal.value.orig, psycopg.errors.IntegrityError)
    assert refusal.value.orig.diag.constraint_name == constraint


@pytest.mark.parametrize(
    'column', ['student_id', 'instructor_id', 'aircraft_id', 'runway_end_id', 'standard_id', 'technique_id']
)
def test_no_sortie_can_point_into_another_school(db, column):
    change(
        db,
        "insert into school (name, is_demo, aim_step_ft, least_ceiling_ft, least_visibility_m) values ('Sandling Aero', false, 150, 1500, 5000)",
    )
    other = db.execute(text("select id from school where name = 'Sandling Aero'")).scalar_one()
    tables = {
        'student_id': "insert into user_account (school_id, login, name, role, password_hash, is_active, session_epoch) values (:s, 'ada', 'Ada', 'student', 'x', true, 1) returning id",
        'aircraft_id': "insert into aircraft (school_id, name, spec) values (:s, 'A', '{}') returning id",
        'standard_id': "insert into standard (school_id, name, spec, is_built_in) values (:s, 'A', '{}', false) returning id",
        'technique_id': "insert into technique (school_id, name, spec, is_built_in) values (:s, 'A', '{}', false) returning id",
    }
    tables['instructor_id'] = tables['student_id']
    if column == 'runway_end_id':
        field = db.execute(
            text(
                "insert into airfield (school_id, name, ident, is_fictional, elevation_ft, pattern_altitude_ft, marks) values (:s, 'F', 'F', true, 0, 1000, '[]') returning id"
            ),
            {'s': other},
        ).scalar_one()
        theirs = db.execute(
            text(
                "insert into runway_end (school_id, airfield_id, ident, threshold_lat_deg, threshold_lon_deg, spec) values (:s, :f, '09', 0, 0, '{}') returning id"
            ),
            {'s': other, 'f': field},
        ).scalar_one()
    else:
        theirs = db.execute(text(tables[column]), {'s': other}).scalar_one()
    with pytest.raises(IntegrityError, match='foreign key'):
        change(db, f'update sortie set {column} = :theirs', theirs=theirs)  # noqa: S608


def test_two_schools_may_use_the_same_lap_id(db):
    """Ids are made by clients, so one school's must neither meet nor reveal another's."""
    row = db.execute(text('select * from lap limit 1')).mappings().one()
    key = db.execute(
        text(
            "select array_agg(a.attname::text order by a.attname) from pg_index i join pg_attribute a on a.attrelid = i.indrelid and a.attnum = any(i.indkey) where i.indrelid = 'lap'::regclass and i.indisprimary"
        )
    ).scalar_one()
    assert key == ['id', 'school_id']
    assert isinstance(row['id'], uuid.UUID)


def test_what_laps_were_flown_by_is_kept_once_and_never_changed(db):
    laps, versions = db.execute(text('select (select count(*) from lap), (select count(*) from version)')).one()
    assert laps > 40
    assert versions == 6  # one aircraft, one runway, two standards, two techniques
    with pytest.raises(DBAPIError, match='never changed'):
        change(db, "update version set spec = '{}'")
    with pytest.raises(IntegrityError):
        change(db, 'delete from version')


def test_a_lap_takes_less_than_a_kilobyte_with_its_indexes(db):
    """The demo's laps with speed, time, wind and drift noted, as they lie in the table and in all its indexes."""
    change(
        db,
        "insert into lap select (jsonb_populate_record(lap, jsonb_build_object('id', gen_random_uuid()))).* from lap, generate_series(1, 100)",
    )
    db.commit()
    with db.execution_options(isolation_level='AUTOCOMMIT') as loose:
        loose.execute(text('vacuum full lap'))
        bytes_, laps = loose.execute(text("select pg_total_relation_size('lap'), (select count(*) from lap)")).one()
    assert bytes_ / laps < 1_024


def test_a_lap_that_shows_no_touchdown_has_sqls_null(db):
    change(
        db,
        "update lap set outcome = 'go_around', along_ft = null, flown = null where id = (select id from lap limit 1)",
    )
    assert db.execute(text("select count(*) from lap where flown = 'null'::jsonb")).scalar_one() == 0
    assert db.execute(text('select count(*) from lap where flown is null')).scalar_one() == 1
