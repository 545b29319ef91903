"""./bullseye up --behind nginx: slow connections, which stop a server that reads them itself, hold up nobody."""

import os
import signal
import socket
import ssl
import subprocess
import time
import urllib.request
from pathlib import Path

import pytest

from bullseye.launch import front
from bullseye.launch.postgres import free_port

from .test_up import Running, data_folder  # noqa: F401  (a fixture)

SLOW = 64


def slow_sockets(port: int, *, tls: bool = False) -> list[socket.socket]:
    """Connections that begin a request and do not go on."""
    found = []
    for n in range(SLOW):
        one = socket.create_connection(('127.0.0.1', port), timeout=5)
        if tls:
            context = ssl.create_default_context()
            context.check_hostname, context.verify_mode = False, ssl.CERT_NONE
            one = context.wrap_socket(one)
        if n % 2:
            one.sendall(b'GET /api/health HTTP/1.1\r\nHost: 127.0.0.1\r\nX-')
        else:  # a body that never comes
            head = b'POST /api/session HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\n'
            one.sendall(head + b'Content-Length: 2000\r\n\r\n{"login"')
        found.append(one)
    return found


def health_s(running: Running) -> float:
    begun = time.monotonic()
    assert running.call('GET', '/api/health')['status'] == 'up'
    return time.monotonic() - begun


def test_sixty_four_slow_connections_hold_up_nobody(data_folder):  # noqa: F811
    running = Running(data_folder, '--behind', 'nginx')
    try:
        usual_s = min(health_s(running) for _ in range(5))
        sockets = slow_sockets(running.port)
        slowest_s = max(health_s(running) for _ in range(10))
        assert slowest_s < max(1.0, 20 * usual_s)
        session = running.call('GET', '/api/session')
        running.token = session['csrf_token']
        marta = next(one for one in session['demo_people'] if one['name'].startswith('Marta'))
        assert running.call('POST', '/api/session/demo', {'person_id': marta['id']})['person']  # writes too
        link = running.call('POST', '/api/invitations', {'name': 'Ada', 'role': 'student'})['link']
        assert link.startswith(f'http://127.0.0.1:{running.port}/join#')  # as it was asked for, not as it is behind
        for one in sockets:
            one.close()

        # it is there as long as the server is
        pid = int((data_folder / 'nginx' / 'nginx.pid').read_text())
        os.kill(pid, signal.SIGKILL)
        for _ in range(100):
            try:
                health_s(running)
                break
            except OSError:
                time.sleep(0.2)
        assert health_s(running) < 5
    finally:
        running.stop()


def test_its_configuration_is_taken_with_and_without_a_certificate(tmp_path: Path):
    certificate, key = tmp_path / 'one.crt', tmp_path / 'one.key'
    made = ['openssl', 'req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-subj', '/CN=bullseye.example', '-days', '2']
    subprocess.run([*made, '-keyout', key, '-out', certificate], check=True, capture_output=True)
    for number, tls in enumerate((None, (certificate, key))):
        folder, port = tmp_path / f'front-{number}', free_port()
        address = front.Address('127.0.0.1', port, '127.0.0.1:9', *(tls or ()))
        process = front.start(folder, address)
        try:
            for _ in range(50):
                with socket.socket() as probe:
                    if probe.connect_ex(('127.0.0.1', port)) == 0:
                        break
                time.sleep(0.1)
            context = ssl.create_default_context()
            context.check_hostname, context.verify_mode = False, ssl.CERT_NONE
            with pytest.raises(urllib.error.HTTPError) as refused:
                urllib.request.urlopen(
                    f'http{"s" if tls else ""}://127.0.0.1:{port}/', timeout=5, context=context if tls else None
                )
            assert refused.value.code == 502  # nobody is behind it
            assert 'nginx/' not in (refused.value.headers['Server'] or '')  # which version is nobody's business
            refused.value.close()
        finally:
            process.terminate()
            process.wait(timeout=10)
