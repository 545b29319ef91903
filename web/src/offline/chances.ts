/** When something is tried again: at once when there is a chance, else after a wait that doubles; one tab at a time. */

const FIRST_WAIT_MS = 1_000
const LONGEST_WAIT_MS = 60_000

/** Run while no other tab does; without locks (a page without TLS) the server's own order keeps it right. */
async function alone(act: () => Promise<void>): Promise<void> {
  if (!navigator.locks) return act()
  await navigator.locks.request('bullseye-sync', act)
}

export function chancesOf(act: () => Promise<void>) {
  let timer: number | undefined
  let failures = 0
  let running = false
  let again = false

  async function run() {
    again = running
    if (running) return
    running = true
    window.clearTimeout(timer)
    try {
      do {
        again = false
        await alone(act)
      } while (again as boolean)
    } finally {
      running = false
    }
  }
  return {
    /** Now; a chance to forget earlier failures. */
    soon() {
      failures = 0
      void run()
    },
    later(atLeastMs = 0) {
      window.clearTimeout(timer)
      const wait = Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** failures) * (0.8 + 0.4 * Math.random())
      failures += 1
      timer = window.setTimeout(() => void run(), Math.max(wait, atLeastMs))
    },
    succeeded() {
      failures = 0
    },
  }
}
