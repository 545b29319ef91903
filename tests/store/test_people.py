import uuid
from datetime import UTC, datetime, timedelta

import pytest
from sqlalchemy import select

from bullseye.core.basis.errors import InvalidInput
from bullseye.demo import seed
from bullseye.store import scope
from bullseye.store.database import has_written, open_engine, session_maker
from bullseye.store.errors import Conflict, NotAllowed, NotFound, WrongLogin
from bullseye.store.people import joining, signins
from bullseye.store.rows.people import Invitation, School, User


@pytest.fixture
def db(demo_url):
    engine = open_engine(demo_url)
    with session_maker(engine)() as session:
        yield session
    engine.dispose()


def person(db, name):
    scope.see_every_school(db)
    found = db.scalars(select(User).where(User.name == name)).one()
    scope.bind(db, found.school_id)
    return found


def test_a_password_is_kept_as_an_argon2_hash_only(db):
    marta = person(db, 'Marta Kowalczyk')
    assert marta.password_hash.startswith('$argon2id$')
    assert seed.PASSWORD not in marta.password_hash
    assert joining.sign_in(db, login=' Marta@lantern-bay.example ', password=seed.PASSWORD).id == marta.id


def test_somebody_who_left_can_neither_sign_in_nor_stay_signed_in(db):
    ines = person(db, 'Ines Carvalho')
    epoch = ines.session_epoch
    signins.begin(db, ines, device='a tablet')
    cookie = {'person_id': ines.id, 'epoch': epoch, 'sign_in_id': ines.sign_in_id}
    assert signins.of_cookie(db, **cookie) is not None
    assert signins.of_cookie(db, **cookie | {'sign_in_id': uuid.uuid4()}) is None
    ines.session_epoch += 1  # signed out everywhere
    db.commit()
    assert signins.of_cookie(db, **cookie) is None
    scope.bind(db, ines.school_id)
    ines.is_active = False
    db.commit()
    with pytest.raises(WrongLogin):
        joining.sign_in(db, login='ines@lantern-bay.example', password=seed.PASSWORD)
    assert ines not in joining.demo_people(db)


@pytest.mark.parametrize(
    ('login', 'password', 'name', 'field'),
    [
        ('x', 'a long enough one', 'Noor', 'login'),
        ('has space', 'a long enough one', 'Noor', 'login'),
        ('noor', 'short', 'Noor', 'password'),
        ('noor', 'x' * 201, 'Noor', 'password'),
        ('noor', 'a long enough one', '  ', 'name'),
    ],
)
def test_an_account_that_will_not_do_is_refused_by_field(db, login, password, name, field):
    school = db.scalars(select(School)).one()
    with pytest.raises(InvalidInput) as refusal:
        joining.add(db, school=school, login=login, name=name, role='student', password=password)
    assert refusal.value.field == field
    assert password not in str(refusal.value)


def test_a_login_is_one_persons_whatever_its_case(db):
    school = db.scalars(select(School)).one()
    with pytest.raises(Conflict):
        joining.add(
            db, school=school, login='MARTA@lantern-bay.example', name='M', role='student', password='long enough'
        )


def test_only_the_digest_of_an_invitation_is_kept_and_it_runs_out(db):
    marta = person(db, 'Marta Kowalczyk')
    invitation, token = joining.invite(db, by=marta, name=' Noor Haddad ', role='student')
    assert token not in invitation.token_hash
    assert invitation.name == 'Noor Haddad'
    assert joining.open_invitation(db, token)[1].name == 'Lantern Bay Flying School'
    invitation.expires_at = datetime.now(UTC) - timedelta(seconds=1)
    db.commit()
    with pytest.raises(NotFound):
        joining.open_invitation(db, token)
    with pytest.raises(NotFound):
        joining.join(db, token=token, login='noor', password='a long enough one')
    scope.see_every_school(db)
    assert db.scalars(select(Invitation)).one().used_at is None


@pytest.mark.parametrize(
    ('who', 'may'),
    [('Marta Kowalczyk', {'chief', 'instructor', 'student'}), ('Elias Brandt', {'student'}), ('Ines Carvalho', set())],
)
def test_who_may_invite_whom(db, who, may):
    by = person(db, who)
    for role in ('chief', 'instructor', 'student'):
        if role in may:
            assert joining.invite(db, by=by, name='Somebody', role=role)[0].role == role
        else:
            with pytest.raises(NotAllowed):
                joining.invite(db, by=by, name='Somebody', role=role)


def test_a_second_code_ends_the_first_and_a_set_up_school_needs_none(empty_url):
    engine = open_engine(empty_url)
    with session_maker(engine)() as db:
        first, second = joining.new_setup_code(db), joining.new_setup_code(db)
        made = {'school_name': 'Sandling Aero', 'name': 'Ada', 'login': 'ada', 'password': 'a long enough one'}
        with pytest.raises(InvalidInput, match='printed in the terminal'):
            joining.set_up(db, code=first, **made)
        db.rollback()
        chief = joining.set_up(db, code=second.lower(), **made)
        db.commit()
        assert (chief.role, joining.needs_set_up(db)) == ('chief', False)
        with pytest.raises(NotAllowed):
            joining.set_up(db, code=second, **made)
    engine.dispose()


def test_a_session_knows_whether_it_has_written(db):
    marta = person(db, 'Marta Kowalczyk')
    db.commit()
    db.scalars(select(User)).all()
    assert not has_written(db)
    marta.name = 'Marta K.'
    assert has_written(db)
    db.flush()
    assert has_written(db)
    db.rollback()
    assert not has_written(db)
    assert person(db, 'Marta Kowalczyk').id == marta.id
