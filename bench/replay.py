"""A recorded hour in the application: from the file to its laps, first picture of the replay, frames while scrubbing.

Budgets: first picture under 1 s, at least 50 frames a second; the hour has ten laps at 10 Hz.
"""

import re
import statistics
import time
import uuid

import numpy as np
from playwright.sync_api import Page, sync_playwright

from bullseye.demo.fleet import field_files
from bullseye.sim.recorder import GNSS, Recorder, record
from bullseye.sim.scenarios import scenario_flight
from bullseye.sim.writers import write
from screen import BROWSER, FLAGS, FRAMES
from serving import serving

RATE_HZ, SEED, STEPS = 10, 5, 300


def recorded_hour() -> bytes:
    """The file of the flight."""
    flown = scenario_flight('ten-laps', field_data=field_files()['lant'], seed=SEED, runway='05')
    recorder = Recorder(errors=GNSS, rate_hz=RATE_HZ)
    return write(record(flown, recorder, np.random.default_rng(SEED)), 'gpx').encode()


def print_from_file_to_laps(page: Page, base: str, raw: bytes) -> str:
    """Send the file and wait for its laps; its address."""
    token = page.evaluate("fetch('/api/session').then((reply) => reply.json())")['csrf_token']
    path = f'{base}/api/tracks/{uuid.uuid4()}'
    began = time.perf_counter()
    headers = {'X-CSRFToken': token, 'Content-Type': 'application/octet-stream'}
    assert page.request.put(f'{path}?name=hour.gpx', data=raw, headers=headers).ok
    sent = time.perf_counter()
    while (track := page.request.get(path).json()['track'])['state'] != 'done':
        assert track['state'] in ('waiting', 'working'), track
        time.sleep(0.05)
    done = time.perf_counter()
    print(
        f'{len(raw) / 1e6:.1f} MB, {track["fixes"]:,} fixes, {track["laps"]} laps: '
        f'sent in {sent - began:.2f} s, analysed in {done - sent:.2f} s more'
    )
    return path.replace('/api', '')


def print_first_picture(page: Page, address: str) -> None:
    """From the address to the drawn lap, the application loaded anew each time."""
    taken = []
    for _ in range(5):
        began = time.perf_counter()
        page.goto(address)
        page.locator('[data-view=above] [data-mark=flown]').wait_for()
        taken.append(time.perf_counter() - began)
    middle = statistics.median(taken)
    print(f'first picture: {middle:.2f} s (median of 5; {min(taken):.2f} to {max(taken):.2f}), budget 1 s')


def print_scrubbing(page: Page, laps: int) -> None:
    """Frames while the slider is dragged to and fro."""
    box = page.get_by_role('slider', name=re.compile('Moment of the lap')).bounding_box()
    assert box
    x, y = box['x'] + 8, box['y'] + box['height'] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.evaluate(FRAMES)
    for step in range(STEPS):
        page.mouse.move(x + (box['width'] - 16) * (1 - abs(1 - step / (STEPS / 2))), y)
    frames = page.evaluate('window.frames_ms')[2:]
    page.mouse.up()
    slow = sum(ms > 25 for ms in frames) / len(frames)
    a_second = 1000 / statistics.fmean(frames)
    print(f'scrubbing {laps} laps: {a_second:.0f} frames a second, {slow:.1%} over 25 ms, budget 50')


if __name__ == '__main__':
    with serving(8796) as base, sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=BROWSER, args=FLAGS)
        page = browser.new_page(viewport={'width': 1280, 'height': 800})
        page.goto(base)
        page.get_by_role('button', name='Marta Kowalczyk').click()
        page.get_by_role('heading', name='Students').wait_for()  # where a chief begins
        address = print_from_file_to_laps(page, base, recorded_hour())
        print_first_picture(page, address)
        print_scrubbing(page, 1)
        for number in (2, 3):
            page.get_by_label(f'Lay lap {number} over it').click()
        page.wait_for_timeout(1_000)
        print_scrubbing(page, 3)
        browser.close()
