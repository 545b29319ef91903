"""A front that takes requests in whole before it passes them on: slow and idle connections hold up nobody.

nginx, from Debian's packages, on the school's address; the application is then on loopback behind it.
"""

from __future__ import annotations

import os
import pwd
import shutil
import signal
import subprocess
from dataclasses import dataclass
from pathlib import Path

from bullseye.launch.say import run

_USER = 'www-data'
_TEMPORARY = ('body', 'proxy', 'fastcgi', 'uwsgi', 'scgi')
# [own] a school behind one address: forty devices of six connections, and room
_CONNECTIONS_OF_ONE = 400
KEPT_S = 65  # [own] how long the application keeps a connection of the front that nobody asks on
_LARGEST_BODY, _LARGEST_ARCHIVE = '50m', '400m'


def program() -> str | None:
    """Where nginx is; Debian keeps it where only root looks by itself."""
    return shutil.which('nginx', path=f'{os.environ.get("PATH", "")}:/usr/sbin:/usr/local/sbin')


@dataclass(frozen=True)
class Address:
    """Where the front listens, and where the application does."""

    host: str
    port: int
    behind: str  # host:port
    certificate: Path | None = None
    key: Path | None = None


def configuration(folder: Path, address: Address) -> str:
    """What nginx is told."""
    host = f'[{address.host}]' if ':' in address.host else address.host
    tls = ''
    if address.certificate and address.key:
        tls = f"""
        ssl_certificate {address.certificate};
        ssl_certificate_key {address.key};
        ssl_protocols TLSv1.2 TLSv1.3;"""
    user = f'user {_USER};' if os.geteuid() == 0 else ''
    temporary = ''.join(
        f'\n    {"client_body" if name == "body" else name}_temp_path {folder}/{name};' for name in _TEMPORARY
    )
    return f"""{user}
worker_processes 2;
pid {folder}/nginx.pid;
error_log stderr warn;
events {{ worker_connections 4096; }}
http {{
    access_log off;  # calendar links hold their secret in the address{temporary}
    limit_conn_zone $binary_remote_addr zone=of_one:4m;
    limit_conn of_one {_CONNECTIONS_OF_ONE};
    # whoever sends or takes nothing for so long is let go
    client_header_timeout 10s;
    client_body_timeout 20s;
    send_timeout 30s;
    keepalive_timeout 30s;
    reset_timedout_connection on;
    client_max_body_size {_LARGEST_BODY};
    server_tokens off;
    upstream application {{
        server {address.behind};
        keepalive 16;  # a new connection for each request costs more than many of the requests
        keepalive_timeout {KEPT_S - 5}s;  # less than the application: none that just ended is used
    }}
    server {{
        listen {host}:{address.port}{' ssl' if tls else ''};{tls}
        location = /api/archive/school {{
            client_max_body_size {_LARGEST_ARCHIVE};
            proxy_pass http://application;
            proxy_set_header Host $http_host;
            proxy_set_header X-Forwarded-For $remote_addr;
            proxy_set_header X-Forwarded-Proto $scheme;
            proxy_read_timeout 1800s;  # a large school is taken in row by row
        }}
        location / {{
            proxy_pass http://application;
            proxy_http_version 1.1;
            proxy_set_header Connection "";
            proxy_set_header Host $http_host;
            proxy_set_header X-Forwarded-For $remote_addr;
            proxy_set_header X-Forwarded-Proto $scheme;
            proxy_request_buffering on;
            proxy_buffering on;
            proxy_connect_timeout 5s;
            proxy_read_timeout 120s;
        }}
    }}
}}
"""


def start(folder: Path, address: Address) -> subprocess.Popen[bytes]:
    """Write the configuration, try it, and start it in the foreground."""
    folder.mkdir(parents=True, exist_ok=True, mode=0o755)
    for name in _TEMPORARY:
        place = folder / name
        place.mkdir(exist_ok=True, mode=0o700)
        if os.geteuid() == 0:
            os.chown(place, pwd.getpwnam(_USER).pw_uid, -1)
    kept = folder / 'nginx.conf'
    kept.write_text(configuration(folder, address), encoding='utf-8')
    command = [program() or 'nginx', '-p', str(folder), '-c', str(kept), '-e', 'stderr']
    run([*command, '-t', '-q'], failed='nginx does not take its configuration')
    return subprocess.Popen([*command, '-g', 'daemon off;'], start_new_session=True)


def read_anew(process: subprocess.Popen[bytes]) -> None:
    """Let it read its certificate again; connections go on."""
    if process.poll() is None:
        process.send_signal(signal.SIGHUP)
