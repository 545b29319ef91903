"""What a language still lacks: texts without a translation, and those that say another thing than the English one.

python -m bullseye.words.missing de
"""

from __future__ import annotations

import sys
from collections.abc import Iterator

from bullseye.words.catalogue import filled, read_files
from bullseye.words.language import ENGLISH, LOCALES

# calls are made in the language that is spoken on the frequency
_ON_THE_RADIO = ('radio-call', 'radio-touch_and_go', 'radio-low_approach', 'radio-power_off', 'radio-no_flap')
_INSIDE: tuple[tuple[str, ...], ...] = ((), ('screen',))


def _is_said_on_the_radio(name: str) -> bool:
    is_place = name.startswith('radio-') and name.endswith(('_where', '_field'))
    return is_place or name in _ON_THE_RADIO


def missing(language: str) -> Iterator[str]:
    """Names of texts that a language has not, has too many, or fills with what the English one does not know.

    :raises ValueError: when a file cannot be read
    """
    for inside in _INSIDE:
        english, other = (read_files(one, *inside)[1] for one in (ENGLISH, language))
        wanted = {name for name in english if not _is_said_on_the_radio(name)}
        yield from (f'{name}: no text' for name in sorted(wanted - other.keys()))
        yield from (f'{name}: no English text is called so' for name in sorted(other.keys() - english.keys()))
        for name in sorted(english.keys() & other.keys()):
            unknown = set(filled(other[name])) - set(filled(english[name]))
            yield from (f'{name}: nothing is said for {one}' for one in sorted(unknown))


def main() -> int:
    """Tell what is missing of each language that is asked for, or of all; 1 when anything is."""
    asked = sys.argv[1:] or [one for one in LOCALES if one != ENGLISH]
    found = [f'{language}: {line}' for language in asked for line in missing(language)]
    print('\n'.join(found) if found else 'Nothing is missing.')
    return 1 if found else 0


if __name__ == '__main__':
    raise SystemExit(main())
