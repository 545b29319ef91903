"""Backups: what goes in comes out row by row, damage is seen, and nothing that is there is lost by restoring."""

import json
import shutil
import subprocess
import sys
import tarfile
import tempfile
from datetime import UTC, datetime, timedelta
from pathlib import Path

import psycopg
import pytest
from cryptography import x509
from cryptography.hazmat.primitives import hashes, serialization

from bullseye.launch import backup, tls
from bullseye.launch.backup import Database
from bullseye.launch.postgres import Cluster, server_programs
from bullseye.launch.say import GiveUp
from bullseye.launch.upkeep import Upkeep
from bullseye.store.whole.backups import last_backup


def rows(url: str) -> dict[str, list[str]]:
    """Every row of every table, as text."""
    with psycopg.connect(url.replace('+psycopg', '')) as connection:
        tables = connection.execute(
            "select table_name from information_schema.tables where table_schema = 'public' "
            "and table_type = 'BASE TABLE' and table_name not like 'procrastinate%' order by 1"
        ).fetchall()
        found = {}
        for (table,) in tables:
            statement = f'copy (select * from {table} order by {table}::text) to stdout'  # noqa: S608  (of the list above)
            with connection.cursor().copy(statement) as copied:
                found[table] = b''.join(copied).decode().splitlines()
    return found


@pytest.fixture(scope='module')
def other_server():
    """A server that holds nothing, as on a new machine."""
    folder = Path(tempfile.mkdtemp(prefix='bullseye-restored-'))
    folder.chmod(0o755)
    cluster = Cluster(folder, durable=False)
    cluster.make()
    cluster.start()
    cluster.ensure_application()
    yield cluster
    cluster.stop()
    shutil.rmtree(folder, ignore_errors=True)


@pytest.fixture
def state(tmp_path: Path) -> Path:
    folder = tmp_path / 'data'
    (folder / 'tls').mkdir(parents=True)
    (folder / 'secret-key').write_text('of the cookies')
    (folder / 'tls' / 'authority.crt').write_text('trusted by the tablets')
    return folder


def test_a_school_comes_back_row_by_row_on_a_machine_that_holds_nothing(demo_url, other_server, state, tmp_path):
    file = backup.write(
        Database.of_url(demo_url, server_programs()), mode='school', folder=state, to=tmp_path / 'kept', version='9'
    )
    assert file.stat().st_mode & 0o077 == 0
    assert [one.name for one in (tmp_path / 'kept').iterdir()] == [file.name]  # nothing half written beside it
    target = Database.of_url(other_server.url('school'), other_server.programs)
    new = tmp_path / 'new'
    new.mkdir()
    assert backup.restore(file, target, replace=False, folder=new) == ''
    there = rows(other_server.url('school'))
    assert there == rows(demo_url)
    assert len(there['lap']) > 40
    assert (new / 'secret-key').read_text() == 'of the cookies'
    assert (new / 'tls' / 'authority.crt').read_text() == 'trusted by the tablets'
    with psycopg.connect(other_server.application_url('school').replace('+psycopg', '')) as connection:
        assert connection.execute('select count(*) from lap').fetchone() == (0,)  # still of no school: sees nothing

    # a second time: what is there is not touched without being told to, and then kept
    with psycopg.connect(other_server.url('school').replace('+psycopg', ''), autocommit=True) as connection:
        connection.execute("update school set name = 'Changed since'")
    with pytest.raises(GiveUp, match='add --replace'):
        backup.restore(file, target, replace=False, folder=new)
    assert 'Changed since' in str(rows(other_server.url('school'))['school'])
    aside = backup.restore(file, target, replace=True, folder=new)
    assert 'Changed since' in str(rows(other_server.url(aside))['school'])
    assert rows(other_server.url('school')) == rows(demo_url)


def packed(work: Path, file: Path) -> None:
    """Write the members into a backup whose digests are right."""
    with tarfile.open(file) as tar:
        names = [one.name for one in tar if one.name not in ('manifest.json', 'whole.sha256')]
    manifest = json.loads((work / 'manifest.json').read_text())
    backup._pack(file, manifest, {name: work / name for name in names})


@pytest.mark.parametrize('harm', ['cut', 'changed', 'fewer', 'none', 'newer', 'key', 'manifest', 'no_key'])
def test_a_damaged_backup_is_refused_and_changes_nothing(demo_url, other_server, state, tmp_path, harm):
    kept = tmp_path / 'kept'
    file = backup.write(Database.of_url(demo_url, server_programs()), mode='school', folder=state, to=kept, version='9')
    work = tmp_path / 'work'
    with tarfile.open(file) as tar:
        tar.extractall(work)  # noqa: S202  (made here)
        at = {one.name: one.offset_data for one in tar}
    manifest = json.loads((work / 'manifest.json').read_text())
    raw = bytearray(file.read_bytes())
    if harm in ('changed', 'key', 'manifest'):
        where = {'changed': 'database.dump', 'key': 'state/secret-key', 'manifest': 'manifest.json'}[harm]
        raw[at[where] + 9] ^= 0x01
        file.write_bytes(raw)
    elif harm == 'fewer':
        manifest['at_least']['lap'] += 1
        manifest['at_most']['lap'] += 1
    elif harm == 'newer':
        manifest['format'] = 3
    (work / 'manifest.json').write_text(json.dumps(manifest))
    if harm in ('fewer', 'newer'):
        packed(work, file)
    if harm == 'no_key':
        with tarfile.open(file, 'w') as tar:
            for name in ('manifest.json', 'database.dump', 'state/tls/authority.crt', 'whole.sha256'):
                tar.add(work / name, name)
    if harm == 'cut':
        file.write_bytes(file.read_bytes()[: file.stat().st_size // 2])
    if harm == 'none':
        file.write_bytes(b'no backup at all')
    name = f'harmed_{harm}'
    other_server.ensure_database(name)
    target = Database.of_url(other_server.url(name), other_server.programs)
    target.sql('create table mine (kept integer); insert into mine values (17)')
    here = tmp_path / 'here'
    here.mkdir()
    (here / 'secret-key').write_text('as it was')
    with pytest.raises(GiveUp):
        backup.restore(file, target, replace=True, folder=here)
    assert [(one.name, one.read_text()) for one in here.iterdir()] == [('secret-key', 'as it was')]
    assert target.sql('select kept from mine').strip() == '17'
    left = target.renamed('postgres').sql("select datname from pg_database where datname like 'harmed%'").split()
    assert not [one for one in left if 'restoring' in one or 'before' in one]


def test_only_the_newest_are_kept_and_the_chief_is_told_when_the_last_is_old(tmp_path):
    now = datetime(2026, 11, 28, 9, tzinfo=UTC)
    assert not last_backup('', now=now).is_seen
    assert last_backup(str(tmp_path), now=now).is_old  # none was ever made
    import os

    for days in range(20):
        for mode in ('school', 'demo'):
            made_at = (now - timedelta(days=days, hours=2)).timestamp()
            file = tmp_path / f'bullseye-{mode}-{days:02d}.tar'
            file.write_bytes(b'x' * (days + 1))
            os.utime(file, (made_at, made_at))
    backup.thin(tmp_path, mode='school')
    left = sorted(one.name for one in tmp_path.glob('bullseye-school-*'))
    assert left == [f'bullseye-school-{days:02d}.tar' for days in range(14)]
    assert len(list(tmp_path.glob('bullseye-demo-*'))) == 20
    found = last_backup(str(tmp_path), now=now)
    assert (found.kept, found.size, found.is_old) == (14, 1, False)
    assert found.made_at == now - timedelta(hours=2)
    assert last_backup(str(tmp_path), now=now + timedelta(hours=36)).is_old


def test_what_is_due_is_done_again_after_it_failed_and_whatever_the_clock_does(capsys):
    clock, done, fails = [1_000_000.0], [], [True]

    def work() -> None:
        if fails[0]:
            raise GiveUp('the disk is full')
        done.append(clock[0])

    upkeep = Upkeep(now=lambda: clock[0])
    upkeep.add('The backup', work, every_s=86_400, last_at=clock[0] - 86_000)
    upkeep.tick()
    assert not done
    clock[0] += 401
    upkeep.tick()
    assert 'The backup failed, and is tried again: the disk is full' in capsys.readouterr().err
    fails[0] = False
    clock[0] += 600
    upkeep.tick()
    assert not done  # not at once
    clock[0] += 301
    upkeep.tick()
    assert len(done) == 1
    clock[0] -= 40 * 86_400  # set back by forty days: not put off for forty days
    upkeep.tick()
    clock[0] += 86_401
    upkeep.tick()
    assert len(done) == 2
    clock[0] += 10 * 86_400  # asleep for ten days: one, not ten
    upkeep.tick()
    upkeep.tick()
    assert len(done) == 3


def test_a_certificate_that_nears_its_end_is_made_anew_with_the_same_key(tmp_path, monkeypatch):
    monkeypatch.setattr(tls, '_SERVER_DAYS', 20)  # less than is left when it is renewed
    tls.make_certificate(tmp_path, '192.0.2.9')
    old, key = (tmp_path / tls.CERTIFICATE).read_bytes(), (tmp_path / tls.KEY).read_bytes()
    monkeypatch.setattr(tls, '_SERVER_DAYS', 397)
    tls.make_certificate(tmp_path, '192.0.2.9')
    new = x509.load_pem_x509_certificate((tmp_path / tls.CERTIFICATE).read_bytes())
    assert new.serial_number != x509.load_pem_x509_certificate(old).serial_number
    assert new.not_valid_after_utc > datetime.now(UTC) + timedelta(days=390)
    assert (tmp_path / tls.KEY).read_bytes() == key
    pair = serialization.load_pem_private_key(key, password=None).public_key()
    assert pair.public_numbers() == new.public_key().public_numbers()
    authority = x509.load_pem_x509_certificate((tmp_path / tls.AUTHORITY).read_bytes())
    new.verify_directly_issued_by(authority)
    assert new.signature_hash_algorithm.name == hashes.SHA256().name
    tls.make_certificate(tmp_path, '192.0.2.9')
    assert x509.load_pem_x509_certificate((tmp_path / tls.CERTIFICATE).read_bytes()) == new  # and then left alone


def test_backup_and_restore_as_they_are_typed(demo_url, tmp_path):
    """Of a database that somebody else runs; that of ``up`` is in test_up.py."""
    import os

    from bullseye.launch.places import ROOT

    environment = os.environ | {'BULLSEYE_OWNER_URL': demo_url, 'BULLSEYE_DATA': str(tmp_path / 'data')}
    command = [sys.executable, str(ROOT / 'bullseye')]

    def typed(*arguments: str) -> subprocess.CompletedProcess[str]:
        return subprocess.run(
            [*command, *arguments], env=environment, capture_output=True, text=True, check=False, timeout=120
        )

    done = typed('backup', '--to', str(tmp_path / 'kept'))
    assert done.returncode == 0, done.stderr
    file = Path(done.stdout.strip())
    assert file.is_file()
    before = rows(demo_url)
    refused = typed('restore', str(file))
    assert refused.returncode == 1
    assert 'add --replace' in refused.stderr
    done = typed('restore', str(file), '--replace')
    assert done.returncode == 0, done.stderr
    assert 'is kept as the database' in done.stdout
    assert rows(demo_url) == before
    assert demo_url.partition('@')[0].rpartition(':')[2] not in done.stdout + done.stderr + refused.stderr
