/** What two versions of the same thing differ in, member by member. */
import { say } from '@/said'

export interface Difference {
  /** the way to it, in words */
  what: string
  theirs: string
  mine: string
}

const said = (value: unknown): string =>
  value === null || value === undefined || value === ''
    ? say('common.nothing')
    : typeof value === 'object'
      ? JSON.stringify(value)
      : String(value)

/** Members that differ, in the order of the first; lists and objects are gone into as far as both have them. */
export function differences(theirs: unknown, mine: unknown, way: readonly string[] = []): Difference[] {
  if (Object.is(theirs, mine) || said(theirs) === said(mine)) return []
  const both = [theirs, mine]
  if (both.every((one) => typeof one === 'object' && one !== null)) {
    const [a, b] = both as [Record<string, unknown>, Record<string, unknown>]
    const names = [...new Set([...Object.keys(a), ...Object.keys(b)])]
    return names.flatMap((name) => differences(a[name], b[name], [...way, name]))
  }
  const what = way.map((one) => (/^\d+$/.test(one) ? String(Number(one) + 1) : one.replace(/_/g, ' '))).join(', ')
  return [{ what, theirs: said(theirs), mine: said(mine) }]
}
