"""The texts of the screens: each is said somewhere, and what a screen says is said the same on both sides of the wire."""

import re

from bullseye.launch.places import WEB
from bullseye.launch.setup import NAMES
from bullseye.words import screens


def program():
    files = [one for kind in ('*.vue', '*.ts') for one in (WEB / 'src').rglob(kind)]
    return '\n'.join(one.read_text(encoding='utf-8') for one in files if one != NAMES)


def test_every_text_of_the_screens_is_said_somewhere():
    said = set(re.findall(r"'([a-z]+)\.([a-z0-9-]+)'", program()))
    kept = {tuple(name.split('-', 1)) for name in screens.texts()}
    assert sorted(kept - said) == []


def test_the_compiler_is_told_what_goes_into_a_text():
    told = screens.declaration()
    assert "  'common.laps-counted': 'laps'\n" in told  # named in each of its plurals, told once
    assert "  'app.fleet': never\n" in told
    assert told.count('\n  ') == len(screens.texts())


def drawn_first():
    """The files that the program needs before any screen but the first is asked for: what imports what."""
    found, left = {}, [WEB / 'src/main.ts']
    while left:
        path = left.pop()
        if path in found:
            continue
        found[path] = path.read_text(encoding='utf-8')
        for one in re.findall(r"^import (?!type)(?:[^;'\"]*? from )?'(\.{1,2}/[^']*)'", found[path], re.MULTILINE):
            ways = [
                path.parent / one,
                path.parent / f'{one}.ts',
                path.parent / f'{one}.vue',
                path.parent / one / 'index.ts',
            ]
            left += [way.resolve() for way in ways if way.suffix in {'.ts', '.vue'} and way.is_file()][:1]
    return found


def test_the_first_screen_says_only_what_is_read_before_it():
    files = drawn_first()
    assert {'SignInView.vue', 'App.vue'} <= {path.name for path in files}
    assert 'PrepareView.vue' not in {path.name for path in files}
    read = set(re.findall(r"/screen/([a-z]+)\.ftl'", (WEB / 'src/said/en/first.ts').read_text(encoding='utf-8')))
    left_out = set(re.findall(r"!.*/screen/([a-z]+)\.ftl'", (WEB / 'src/said/en/rest.ts').read_text(encoding='utf-8')))
    assert read == left_out  # nothing twice, nothing lost
    said = {
        (path.name, subject)
        for path, text in files.items()
        for subject, _ in re.findall(r"'([a-z]+)\.([a-z0-9-]+)'", text)
    }
    others = {one for one in said if one[1] in {name.split('-')[0] for name in screens.texts()} - read}
    # titles of the other screens are said when those are there
    assert {path for path, _ in others} <= {'router.ts'}
