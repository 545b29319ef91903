"""The front end's own modules as they are shipped, run in Node: what needs no screen is tested without one."""

import json
import subprocess
from typing import Any

from bullseye.launch.places import WEB

# TypeScript is stripped of its types file by file, as the build does it; '@/' is the source folder
_LOAD = """
const ts = require('typescript'), fs = require('fs'), path = require('path'), Module = require('module')
const src = path.resolve('src')
Module._extensions['.ts'] = (module, file) => {
  const options = { module: 'commonjs', target: 'es2022', esModuleInterop: true }
  module._compile(ts.transpileModule(fs.readFileSync(file, 'utf8'), { compilerOptions: options }).outputText, file)
}
const find = Module._resolveFilename
Module._resolveFilename = function (name, ...rest) {
  return find.call(this, name.startsWith('@/') ? path.join(src, name.slice(2)) : name, ...rest)
}
const load = (name) => require(path.join(src, name))
const given = JSON.parse(fs.readFileSync(0, 'utf8'))
const say = (value) => { fs.writeSync(1, JSON.stringify(value === undefined ? null : value)); process.exit(0) }
"""


def in_node(script: str, given: Any = None) -> Any:
    """Run a script that calls ``load`` for a module, finds its input as ``given``, and returns what is to be said."""
    whole = (
        f'{_LOAD}\n;(async () => {{ {script} }})().then(say, (error) => {{ console.error(error); process.exit(1) }})'
    )
    done = subprocess.run(
        ['node', '-e', whole],
        cwd=WEB,
        input=json.dumps(given),
        capture_output=True,
        text=True,
        check=False,
        timeout=120,
    )
    assert done.returncode == 0, done.stderr[-2_000:]
    return json.loads(done.stdout)


def calls(module: str, asked: list[list[Any]]) -> list[Any]:
    """Answers of a module's functions to calls given as name and arguments; what was thrown comes as its message."""
    return list(
        in_node(
            f"""
            const module = load('{module}')
            return given.map(([name, ...rest]) => {{
              try {{ return {{ value: module[name](...rest) ?? null }} }}
              catch (error) {{ return {{ thrown: error.message }} }}
            }})
            """,
            asked,
        )
    )


def values(module: str, asked: list[list[Any]]) -> list[Any]:
    """As :func:`calls`, where nothing may be thrown."""
    answers = calls(module, asked)
    assert all('value' in one for one in answers), [one for one in answers if 'thrown' in one]
    return [one['value'] for one in answers]
