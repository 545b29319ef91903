/** One thing that is done in a moment, unless it is asked for again or somebody signs out before. */
let timer = 0

export function doSoon(task: () => void) {
  window.clearTimeout(timer)
  timer = window.setTimeout(task, 1_500)
}

export function doNothingMore() {
  window.clearTimeout(timer)
}
