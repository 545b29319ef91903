"""docs/deploy.md's way from a bare Debian 12 to a served school, run line by line as printed, in a system of its own.

    sudo .venv/bin/python bench/recipe.py

Needs root, debootstrap (Debian) and a mirror. A minimal Debian is made in a folder and entered by chroot, in namespaces
of its own for mounts and processes; what this machine's own pip and npm are told is told there too. Each block of the
document that is marked ``<!-- recipe -->`` is run by a shell, one after the other; then the school must answer. Not
part of `./bullseye test`: it takes some minutes.

    sudo .venv/bin/python bench/recipe.py --container

follows the steps of the Containerfile in such a system instead, where no builder of images is.
"""

from __future__ import annotations

import argparse
import json
import os
import re
import shlex
import shutil
import subprocess
import sys
import tempfile
import time
import urllib.request
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]
_BLOCK = re.compile(r'<!-- recipe(?P<kind>: last)? -->\n\n(?P<lines>(?:    .*\n|\n)+)')
# where pip, npm and apt look for what they are told
_TOLD = ('/etc/pip.conf', '/etc/xdg/pip', '/root/.config/pip', '/root/.npmrc', '/etc/npmrc', '/etc/ssl/certs')
_TRUSTED = '/etc/trusted-here.crt'
_PATH = '/usr/local/sbin:/usr/local/bin:/usr/sbin:/usr/bin:/sbin:/bin'
_ALONE = ('unshare', '--mount', '--pid', '--fork', '--kill-child')
_HOME_TOLD = ('.config/pip', '.npmrc')


def blocks() -> list[tuple[str, bool]]:
    """The commands of the document in order, and whether they stay running."""
    found = _BLOCK.finditer((ROOT / 'docs' / 'deploy.md').read_text(encoding='utf-8'))
    return [(re.sub(r'(?m)^    ', '', one['lines']).strip(), bool(one['kind'])) for one in found]


def container_blocks() -> list[tuple[str, bool]]:
    """The steps of the Containerfile as shell scripts in order, and whether they stay running."""
    text = (ROOT / 'Containerfile').read_text(encoding='utf-8').replace('\\\n', ' ')
    found: list[tuple[str, bool]] = []
    place, user, settings = '/', '', ''
    for line in text.splitlines():
        word, _, rest = line.partition(' ')
        match word:
            case 'COPY':
                found.append((f'git clone REPOSITORY {rest.split()[1]}', False))  # what is committed, and nothing built
            case 'WORKDIR':
                place = rest
            case 'USER':
                user = f'exec setpriv --reuid={rest} --regid={rest} --init-groups '
            case 'ENV':
                settings = f'env {rest} '
            case 'RUN':
                found.append((f'cd {place}\n{rest}', False))
            case 'CMD':
                command = ' '.join(shlex.quote(one) for one in json.loads(rest))
                found.append((f'cd {place}\n{user}{settings}{command}', True))
            case 'FROM' | 'VOLUME' | 'EXPOSE' | 'STOPSIGNAL' | '#' | '':
                pass
            case _:
                raise SystemExit(f'The Containerfile has a step that is not followed here: {word}')
    return found


def mirror_here() -> str:
    """The mirror that this machine has its own packages from."""
    places = [Path('/etc/apt/sources.list'), *Path('/etc/apt/sources.list.d').glob('*')]
    told = ' '.join(one.read_text(encoding='utf-8') for one in places if one.is_file())
    found = re.search(r'(?:URIs:|deb(?: \[[^]]*\])?)\s+(https?://\S+/debian)/?\s', told)
    return found[1] if found else ''


def make_system(folder: Path, mirror: str) -> None:
    """A minimal Debian 12 with nothing of ours, and this machine's ways to its registries."""
    subprocess.run(['debootstrap', '--variant=minbase', 'bookworm', folder, mirror], check=True, stdout=sys.stderr)
    shutil.copytree('/etc/apt', folder / 'etc' / 'apt', dirs_exist_ok=True, symlinks=True)
    for name in ('resolv.conf', 'hosts'):
        shutil.copy(f'/etc/{name}', folder / 'etc' / name)
    named = subprocess.run([sys.executable, '-m', 'pip', 'config', 'list'], capture_output=True, text=True, check=True)
    paths = {Path(one) for one in (*_TOLD, *re.findall(r"(?<=')(?:file://)?(/[^' ]+)", named.stdout))}
    for path in sorted({one.parent if one.name == 'simple' else one for one in paths}):
        if path.exists() and not str(path).startswith('/etc/ssl'):
            _copy(path, folder / path.relative_to('/'))
    # whom this machine trusts on its way to the registries; Debian's own list is made anew in there
    _copy(Path('/etc/ssl/certs/ca-certificates.crt').resolve(), folder / _TRUSTED.lstrip('/'))
    for name in _HOME_TOLD:  # for the user that the recipe makes, too
        if (Path('/root') / name).exists():
            _copy(Path('/root') / name, folder / 'etc/skel' / name)


def _copy(here: Path, there: Path) -> None:
    there.parent.mkdir(parents=True, exist_ok=True)
    if here.is_dir():
        shutil.copytree(here, there, dirs_exist_ok=True)
    elif not there.exists():
        shutil.copy(here, there)


def inside(folder: Path, script: str, *, repository: str) -> list[str]:
    """The command that runs a script in it."""
    entry = folder / 'root' / 'recipe.sh'
    entry.write_text(f'set -eux\n{script.replace("REPOSITORY", repository)}\n', encoding='utf-8')
    mounts = 'mount -t proc proc /proc && mount --bind /dev/shm /dev/shm 2>/dev/null || true; '
    return ['chroot', str(folder), 'sh', '-c', f'{mounts} exec sh /root/recipe.sh']


def answers(address: str, *, within_s: float) -> str:
    """What health says, as soon as it says anything."""
    until = time.monotonic() + within_s
    while time.monotonic() < until:
        try:
            with urllib.request.urlopen(f'{address}/api/health', timeout=3) as reply:
                return str(json.loads(reply.read())['status'])
        except OSError:
            time.sleep(1)
    return 'no answer'


def main() -> None:
    """Make it, follow the recipe, tell."""
    parser = argparse.ArgumentParser(description=__doc__.splitlines()[0])
    parser.add_argument('--mirror', default=mirror_here(), help="of Debian; else this machine's own")
    parser.add_argument('--keep', type=Path, help='a bare system that was made before, which is used up')
    parser.add_argument('--container', action='store_true', help='the steps of the Containerfile')
    wanted = parser.parse_args()
    folder = wanted.keep or Path(tempfile.mkdtemp(prefix='bullseye-recipe-'))
    folder.chmod(0o755)
    begun = time.monotonic()
    make_system(folder, wanted.mirror) if not wanted.keep else None
    for path in ('dev/null', 'dev/urandom', 'dev/random', 'dev/zero', 'dev/tty'):
        (folder / path).exists() or subprocess.run(['cp', '-a', f'/{path}', folder / path], check=True)
    bundle = folder / 'srv' / 'bullseye.git'
    subprocess.run(['git', 'clone', '-q', '--bare', ROOT, bundle], check=True)
    environment = {name: value for name, value in os.environ.items() if name.startswith('PIP_')}
    environment |= dict.fromkeys(('PIP_CERT', 'SSL_CERT_FILE', 'NODE_EXTRA_CA_CERTS'), _TRUSTED)
    environment |= {
        'PATH': '/usr/local/sbin:/usr/local/bin:/usr/sbin:/usr/bin:/sbin:/bin',
        'HOME': '/root',
        'LANG': 'C.UTF-8',
    }
    serving, said = None, 'not served'
    try:
        for script, stays in container_blocks() if wanted.container else blocks():
            command = [*_ALONE, *inside(folder, script, repository='/srv/bullseye.git')]
            if not stays:
                subprocess.run(command, env=environment, check=True)
                print(f'{time.monotonic() - begun:.0f} s: done: {script.splitlines()[0]} …', flush=True)
                continue
            serving = subprocess.Popen(command, env=environment)
            own = subprocess.run(['hostname', '-i'], capture_output=True, text=True, check=True).stdout.split()[0]
            said = answers(f'http://{own if wanted.container else "127.0.0.1"}:8765', within_s=180)
    finally:
        if serving is not None:
            serving.kill()  # with it all that runs in its namespace
            serving.wait(timeout=60)
    print(f'{time.monotonic() - begun:.0f} s: the school is {said}; the system is in {folder}')
    raise SystemExit(said != 'up')


if __name__ == '__main__':
    main()
