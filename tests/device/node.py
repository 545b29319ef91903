"""The front end's own modules as they are shipped, run in Node: what needs no screen is tested without one."""

import json
import os
import subprocess
import tempfile
from functools import cache
from typing import Any

from bullseye.launch.places import WEB

# TypeScript is stripped of its types file by file, as the build does it: once, for all that is run afterwards
_STRIP = """
const ts = require('typescript'), fs = require('fs'), path = require('path')
const compilerOptions = { module: 'commonjs', target: 'es2022', esModuleInterop: true }
for (const name of fs.readdirSync('src', { recursive: true })) {
  if (!name.endsWith('.ts') || name.endsWith('.d.ts')) continue
  const code = ts.transpileModule(fs.readFileSync(path.join('src', name), 'utf8'), { compilerOptions }).outputText
  const to = path.join(process.argv[1], name.replace(/ts$/, 'js'))
  fs.mkdirSync(path.dirname(to), { recursive: true })
  fs.writeFileSync(to, code)
}
"""
# '@/' is the source folder
_FIND = """
const fs = require('fs'), path = require('path'), Module = require('module')
const src = process.argv[1]
const find = Module._resolveFilename
Module._resolveFilename = function (name, ...rest) {
  return find.call(this, name.startsWith('@/') ? path.join(src, name.slice(2)) : name, ...rest)
}
const load = (name) => require(path.join(src, name))
const english = '../src/bullseye/words/en/screen'
load('said').speak('en', fs.readdirSync(english).map((one) => fs.readFileSync(path.join(english, one), 'utf8')).join(require('os').EOL))
"""
_GIVEN = """
const given = JSON.parse(fs.readFileSync(0, 'utf8'))
const say = (value) => { fs.writeSync(1, JSON.stringify(value === undefined ? null : value)); process.exit(0) }
"""
_ANSWER = """
const answer = (module, [name, ...rest]) => {
  try { return { value: module[name](...rest) ?? null } } catch (error) { return { thrown: error.message } }
}
require('readline').createInterface({ input: process.stdin }).on('line', (line) => {
  const [name, asked] = JSON.parse(line)
  const module = load(name)
  console.log(JSON.stringify(asked.map((one) => answer(module, one))))
})
"""
_ENVIRONMENT = os.environ | {'NODE_PATH': str(WEB / 'node_modules')}


@cache
def _stripped() -> tempfile.TemporaryDirectory[str]:
    """A folder of the modules as Node runs them; it goes with this process."""
    folder: tempfile.TemporaryDirectory[str] = tempfile.TemporaryDirectory(prefix='bullseye-node-')
    _node(_STRIP, folder.name)
    return folder


def _node(script: str, folder: str, given: str = '') -> str:
    done = subprocess.run(
        ['node', '-e', script, folder],
        cwd=WEB,
        env=_ENVIRONMENT,
        input=given,
        capture_output=True,
        text=True,
        check=False,
        timeout=120,
    )
    assert done.returncode == 0, done.stderr[-2_000:]
    return done.stdout


def in_node(script: str, given: Any = None) -> Any:
    """Run a script that calls ``load`` for a module, finds its input as ``given``, and returns what is to be said."""
    whole = f'{_FIND}{_GIVEN}\n;(async () => {{ {script} }})().then(say, (error) => {{ console.error(error); process.exit(1) }})'
    return json.loads(_node(whole, _stripped().name, json.dumps(given)))


@cache
def _answering() -> subprocess.Popen[str]:
    """One Node that answers calls, a line each; it ends with this process, which holds its input."""
    return subprocess.Popen(
        ['node', '-e', _FIND + _ANSWER, _stripped().name],
        cwd=WEB,
        env=_ENVIRONMENT,
        stdin=subprocess.PIPE,
        stdout=subprocess.PIPE,
        text=True,
    )


def calls(module: str, asked: list[list[Any]]) -> list[Any]:
    """Answers of a module's functions to calls given as name and arguments; what was thrown comes as its message.

    For functions without a memory: all tests of this process ask the same Node.
    """
    node = _answering()
    assert node.stdin
    assert node.stdout
    node.stdin.write(json.dumps([module, asked]) + '\n')
    node.stdin.flush()
    return list(json.loads(node.stdout.readline()))


def values(module: str, asked: list[list[Any]]) -> list[Any]:
    """As :func:`calls`, where nothing may be thrown."""
    answers = calls(module, asked)
    assert all('value' in one for one in answers), [one for one in answers if 'thrown' in one]
    return [one['value'] for one in answers]
