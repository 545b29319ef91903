/**
 * Texts by name, in the language of whoever looks: from the same files that papers and mails are said from.
 *
 * A name is `subject.name` in the program and `subject-name` in a file, as Python has it too.
 */
import { FluentBundle, FluentNumber, FluentResource, type FluentVariable } from '@fluent/bundle'
import { shallowRef, triggerRef } from 'vue'
import type { Texts } from './names'

export type Value = string | number | null | undefined
type Values<Name extends keyof Texts> = [Texts[Name]] extends [never] ? [] : [values: Record<Texts[Name], Value>]

/** The texts of a language come in two parts, so that the first screen does not wait for those of all others. */
export const LANGUAGES = {
  en: { locale: 'en-GB', first: () => import('./en/first'), rest: () => import('./en/rest') },
  de: { locale: 'de-DE', first: () => import('./de/first'), rest: () => import('./de/rest') },
} as const
export type Language = keyof typeof LANGUAGES

const spoken = shallowRef<FluentBundle>()
let now: Language = 'en'
/** The language that is spoken, and how it writes numbers and dates. */
export const language = (): Language => (spoken.value ? now : 'en')
export const locale = (): string => LANGUAGES[language()].locale
let rest: Promise<void> | undefined

/** Speak a language, of which these are the texts. */
export function speak(language: Language, texts: string) {
  spoken.value = new FluentBundle(LANGUAGES[language].locale, { useIsolating: false })
  now = language
  rest = undefined
  add(texts)
}

function add(texts: string) {
  const wrong = spoken.value?.addResource(new FluentResource(texts)) ?? []
  if (wrong.length) throw new Error(`Texts that stand twice in ${now}: ${wrong.join('; ')}`)
  triggerRef(spoken)
}

/** Read what the first screen says in a language, and speak it; what other screens say follows where it was there. */
export async function learn(language: Language) {
  const more = rest ? LANGUAGES[language].rest() : undefined
  const first = (await LANGUAGES[language].first()).default
  const others = (await more)?.default
  speak(language, first)
  if (others === undefined) return
  add(others)
  rest = Promise.resolve()
}

/** Read what all other screens say; a failed attempt is made again when a screen asks again. */
export function learnRest(): Promise<void> {
  rest ??= LANGUAGES[now].rest().then(
    (texts) => add(texts.default),
    (error) => {
      rest = undefined
      throw error
    },
  )
  return rest
}

/** Figures come as they are to be read; as a number they choose between one and many. */
function filledIn(value: Value): FluentVariable {
  if (typeof value === 'number') return new FluentNumber(value, { useGrouping: false, maximumFractionDigits: 12 })
  return value ?? ''
}

/** A text with its values filled in; a name or a value that is wrong does not compile. */
export function say<Name extends keyof Texts>(name: Name, ...[values]: Values<Name>): string {
  const bundle = spoken.value
  const text = bundle?.getMessage(name.replace('.', '-'))?.value
  if (!bundle || text == null) throw new Error(`No text is called ${name}.`)
  const given = Object.entries<Value>(values ?? {}).map(([one, value]) => [one, filledIn(value)] as const)
  return bundle.formatPattern(text, Object.fromEntries(given))
}

type Plain = { [Name in keyof Texts]: [Texts[Name]] extends [never] ? Name : never }[keyof Texts]

/** Labels of a choice: read anew each time, since the language may change while the program runs. */
export function labels<Key extends string>(names: Readonly<Record<Key, Plain>>): Readonly<Record<Key, string>> {
  const all = {} as Record<Key, string>
  for (const key of Object.keys(names) as Key[]) {
    Object.defineProperty(all, key, { enumerable: true, get: () => say(names[key] as never) })
  }
  return all
}
