"""Bytes of the first screen as received, its largest paint on a slow tablet, and frames while the spot is dragged.

The paint is timed at a quarter of the processor, 10 Mbit/s and 40 ms. Budgets: 170 kB; 1.5 s; 60 frames a second.
"""

import shutil
import statistics

from playwright.sync_api import Browser, sync_playwright

from bullseye.launch.places import chromium
from serving import serving

FLAGS = [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
]
# as people have it, where it is installed; else what the tests drive
BROWSER = shutil.which('chromium') or chromium()
FRAMES = """() => { window.frames_ms = []; let last = performance.now();
    const tick = (now) => { window.frames_ms.push(now - last); last = now; requestAnimationFrame(tick) }
    requestAnimationFrame(tick) }"""

PAINT = """() => new Promise((done) => new PerformanceObserver((list) => done(list.getEntries().at(-1).startTime))
    .observe({ type: 'largest-contentful-paint', buffered: true }))"""


def largest_paint_ms(browser: Browser, base: str) -> float:
    """Median of five first visits with nothing kept [ms]."""
    found = []
    for _ in range(5):
        context = browser.new_context(viewport={'width': 1280, 'height': 800}, service_workers='block')
        page = context.new_page()
        slow = context.new_cdp_session(page)
        slow.send('Emulation.setCPUThrottlingRate', {'rate': 4})
        slow.send('Network.enable')
        line = {'offline': False, 'latency': 40, 'downloadThroughput': 10e6 / 8, 'uploadThroughput': 10e6 / 8}
        slow.send('Network.emulateNetworkConditions', line)
        page.goto(base)
        page.get_by_role('button', name='Marta Kowalczyk').wait_for()
        page.wait_for_timeout(500)
        found.append(page.evaluate(PAINT))
        context.close()
    return statistics.median(found)


if __name__ == '__main__':
    with serving(8798) as base, sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=BROWSER, args=FLAGS)
        page = browser.new_page(viewport={'width': 1280, 'height': 800})
        page.goto(base)
        page.get_by_role('button', name='Marta Kowalczyk').wait_for()
        # what the browser received, compressed as it came
        received = page.evaluate(
            """[...performance.getEntriesByType('resource'), ...performance.getEntriesByType('navigation')]
                .reduce((sum, one) => sum + one.encodedBodySize, 0)"""
        )
        print(f'first screen: {received / 1000:.0f} kB received, {received / 170_000:.2f} of 170 kB')
        print(f'largest paint on a slow tablet: {largest_paint_ms(browser, base) / 1_500:.2f} of 1.5 s')
        page.get_by_role('button', name='Marta Kowalczyk').click()
        page.get_by_role('heading', name='Students').wait_for()  # where a chief begins
        page.keyboard.press('t')
        page.get_by_role('region', name='Today').get_by_role('link').first.click()
        ring = page.locator('[data-mark=spot] circle').last
        ring.wait_for()
        box = ring.bounding_box()
        assert box
        x, y = box['x'] + box['width'] / 2, box['y'] + box['height'] / 2
        page.mouse.move(x, y)
        page.mouse.down()
        page.evaluate(FRAMES)
        for step in range(240):
            page.mouse.move(x + 120 * (1 - abs(1 - step / 120)), y)
        frames = page.evaluate('window.frames_ms')[2:]
        page.mouse.up()
        mean = statistics.fmean(frames)
        slow = sum(ms > 25 for ms in frames) / len(frames)
        print(f'dragging: {len(frames)} frames, {1000 / mean:.0f} a second, {slow:.1%} of them over 25 ms')
        browser.close()
