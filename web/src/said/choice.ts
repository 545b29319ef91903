/** Which language this device speaks: as its owner chose it here or in their account, else as the browser asks. */
import { LANGUAGES, type Language, language, learn } from '.'

const KEPT = 'language'
export const ALL = Object.keys(LANGUAGES) as Language[]
const isSpoken = (one: string | null): one is Language => ALL.includes(one as Language)

/** What is spoken before anybody has signed in. */
export function first(): Language {
  const kept = localStorage.getItem(KEPT)
  if (isSpoken(kept)) return kept
  return navigator.languages.map((one) => one.split('-')[0] ?? '').find(isSpoken) ?? 'en'
}

/** Speak another language from now on; what could not be read leaves the one that is spoken. */
export async function change(to: Language) {
  localStorage.setItem(KEPT, to)
  if (to !== language()) await learn(to)
  document.documentElement.lang = to
}
