/** The hour as the server has it: a tablet whose battery ran out believes in 1970, and asks for the flights of that day. */
const NOTICED_MS = 300_000
let aheadMs = 0

/** What an answer of the server was dated; a clock that is right within minutes is left alone. */
export function heardAt(date: string | null) {
  const told = Date.parse(date ?? '')
  if (Number.isNaN(told)) return
  const off = told - Date.now()
  aheadMs = Math.abs(off) > NOTICED_MS ? off : 0
}
/** Milliseconds since 1970, now. */
export const now = () => Date.now() + aheadMs
