"""Code that nothing uses: functions, classes, properties, constants; fields of a record are used by who reads it."""

from __future__ import annotations

import sys

from vulture import Vulture  # type: ignore[import-untyped]

from bullseye.launch import places

_KINDS = ('function', 'class', 'method', 'property', 'import', 'unreachable_code')
# called by a framework, or by its name
_BY_NAME = (
    *('upgrade', 'downgrade', 'do_GET', 'handle_DATA', 'log_message', 'get_id', 'limits_script', '_get_csrf_token'),
    *('readable', 'http_open', 'https_open', 'save_session'),  # of a stream, of what opens addresses, of a cookie
    *(
        'PostgresStorage',
        'base_exceptions',
        'incr',
        'get_expiry',
        'reset',
        'STORAGE_SCHEME',
    ),  # a storage of the rate limiter
)
_CALLED = ('@bp.*', '@app.*', '@event.*', '@manager.*', '@limiter.*')


def main() -> int:
    """Print what nothing uses; 0 when there is nothing."""
    found = Vulture(ignore_names=list(_BY_NAME), ignore_decorators=list(_CALLED))
    found.scavenge([str(places.ROOT / name) for name in ('src', 'bullseye', 'bench')])
    unused = [
        one
        for one in found.get_unused_code(min_confidence=60)
        if one.typ in _KINDS or (one.typ == 'variable' and one.name.isupper())
    ]
    for one in unused:
        print(f'{one.filename}:{one.first_lineno}: unused {one.typ} {one.name}')
    return 1 if unused else 0


if __name__ == '__main__':
    sys.exit(main())
