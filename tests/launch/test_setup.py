"""The set-up's own rules: done once, done again when something changed, one at a time, and clear when it cannot."""

import os
import re
import subprocess
import sys

import pytest

from bullseye.launch import places, postgres, say, settings, setup


def test_a_command_that_fails_is_one_sentence_with_its_last_words():
    with pytest.raises(say.GiveUp, match=r'^It broke: first / second$'):
        say.run(['sh', '-c', 'echo first >&2; echo second >&2; exit 3'], failed='It broke')
    with pytest.raises(say.GiveUp, match=r'It broke \(No such file'):
        say.run(['no-such-program-anywhere'], failed='It broke')
    with pytest.raises(say.GiveUp, match='The disk is full'):
        say.run(['sh', '-c', 'echo "write: No space left on device" >&2; exit 1'], failed='It broke')
    assert say.run(['echo', 'well'], failed='It broke') == 'well\n'


def test_the_environment_is_made_of_debians_python_where_it_will_do(monkeypatch, tmp_path):
    """Another may stand first on the path, built by hand and slower."""
    will_do, will_not = tmp_path / 'will-do', tmp_path / 'will-not'
    for program, code in ((will_do, 0), (will_not, 1)):  # an old one, or one without its packages for this
        program.write_text(f'#!/bin/sh\nexit {code}\n')
        program.chmod(0o755)
    found = {}
    for debians in (will_do, will_not, tmp_path / 'absent'):
        for running in (will_do, will_not):
            monkeypatch.setattr(setup, 'DEBIAN_PYTHON', debians)
            monkeypatch.setattr(sys, 'executable', str(running))
            found[debians.name, running.name] = setup.interpreter()
    assert found == {
        ('will-do', 'will-do'): will_do,
        ('will-do', 'will-not'): will_do,
        ('will-not', 'will-do'): will_do,
        ('will-not', 'will-not'): None,
        ('absent', 'will-do'): will_do,
        ('absent', 'will-not'): None,
    }


def test_where_node_is_old_or_missing_one_comes_from_pypi(monkeypatch, tmp_path):
    """Debian 12's own is 18: what is then used is of the lock, and stands in the virtual environment."""
    old = tmp_path / 'old'
    old.mkdir()
    for name, told in (('node', 'v18.20.4'), ('npm', '9.2.0')):
        (old / name).write_text(f'#!/bin/sh\necho {told}\n')
        (old / name).chmod(0o755)
    monkeypatch.setenv('PATH', f'{old}:/usr/bin:/bin')
    venv = tmp_path / 'venv'
    subprocess.run([sys.executable, '-m', 'venv', venv], check=True)
    setup.provide_node(venv)
    said = {
        name: subprocess.run([name, '--version'], capture_output=True, text=True, check=True).stdout
        for name in ('node', 'npm', 'npx')
    }
    assert said['node'].startswith('v22.')
    assert int(said['npm'].split('.')[0]) >= 10
    assert said['npx'] == said['npm']
    ran = subprocess.run(['node', '-e', 'console.log(6 * 7)'], capture_output=True, text=True, check=True).stdout
    assert ran == '42\n'
    before = os.environ['PATH']
    setup.provide_node(venv)  # a second time nothing is installed, nor named twice
    assert os.environ['PATH'] == before


def test_the_front_end_is_built_again_only_when_its_sources_changed():
    stamp = places.WEB / 'dist' / '.stamp'
    before = stamp.read_text()
    built = (places.WEB / 'dist' / 'index.html').stat().st_mtime_ns
    setup.front_end_build()
    assert (places.WEB / 'dist' / 'index.html').stat().st_mtime_ns == built
    assert before == setup._digest(setup._front_end_sources())
    names = {path.name for path in setup._front_end_sources()}
    assert {'App.vue', 'package-lock.json', 'icon.svg', 'openapi.json'} <= names
    assert 'schema.d.ts' not in names  # made from openapi.json


def test_the_lock_files_name_no_address_and_pin_every_package_by_hash():
    for lock in (places.ROOT / 'requirements').glob('*.txt'):
        text = lock.read_text()
        assert '://' not in text
        pins = [line for line in text.splitlines() if line and line[0].isalpha()]
        assert pins
        assert all('==' in line for line in pins)
        assert text.count('--hash=sha256:') >= len(pins)
    assert '"resolved"' not in (places.WEB / 'package-lock.json').read_text()


def test_a_free_port_is_free_and_a_taken_one_is_not():
    import socket

    port = postgres.free_port()
    assert not postgres.is_taken(port)
    with socket.create_server(('127.0.0.1', port)):
        assert postgres.is_taken(port)


def test_the_server_of_the_tests_listens_on_loopback_only(server_url):
    import psycopg

    with psycopg.connect(server_url.replace('+psycopg', '')) as db:
        shown = {
            name: db.execute(f'show {name}').fetchone()[0] for name in ('listen_addresses', 'unix_socket_directories')
        }
        rules = db.execute("select count(*) from pg_hba_file_rules where auth_method = 'trust'").fetchone()[0]
    assert shown == {'listen_addresses': '127.0.0.1', 'unix_socket_directories': ''}
    assert rules == 0  # nobody comes in without the password


def test_root_keeps_its_data_where_the_database_user_can_reach_it(monkeypatch, tmp_path):
    monkeypatch.setattr(places, 'ROOT', tmp_path)
    monkeypatch.delenv('BULLSEYE_DATA', raising=False)
    monkeypatch.setattr('os.geteuid', lambda: 0)
    first = places.data_folder()
    assert str(first).startswith('/var/lib/bullseye/')
    assert places.data_folder() == first  # and finds it again
    monkeypatch.setattr('os.geteuid', lambda: 1000)
    assert places.data_folder() == tmp_path / '.data'
    monkeypatch.setenv('BULLSEYE_DATA', str(tmp_path / 'own'))
    assert places.data_folder() == tmp_path / 'own'


@pytest.mark.parametrize('arguments', [['fly'], ['up', '--port', 'many'], ['up', '--empty', '--reset-demo'], []])
def test_a_wrong_command_is_refused_with_the_usage(arguments):
    command = [sys.executable, str(places.ROOT / 'bullseye'), *arguments]
    done = subprocess.run(command, capture_output=True, text=True, check=False, timeout=30)
    assert done.returncode == 2
    assert 'usage:' in done.stderr
    assert 'Traceback' not in done.stderr


def test_every_setting_is_in_the_table_and_the_table_in_the_document():
    used: set[str] = set()
    for file in [*(places.ROOT / 'src').rglob('*.py'), places.ROOT / 'bullseye']:
        if file.name != 'settings.py':
            used |= set(re.findall(r'BULLSEYE_[A-Z_]+', file.read_text(encoding='utf-8')))
    used = {one for one in used if not one.startswith('BULLSEYE_TEST_')}
    assert {name for name, _, _ in settings.SETTINGS} == used
    page = settings.PAGE.read_text(encoding='utf-8')
    assert settings.written(page) == page
    # and nothing else is spoken of there, or in the guide of how it is built
    for name in ('docs/deploy.md', 'README.md', 'docs/security.md', 'docs/scale.md'):
        told = set(re.findall(r'BULLSEYE_[A-Z_]+', (places.ROOT / name).read_text(encoding='utf-8')))
        assert {one for one in told if not one.startswith('BULLSEYE_TEST_')} <= used | {'BULLSEYE_AT_ONCE'}, name
