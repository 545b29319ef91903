/** What somebody typed into a field of figures: nothing is nothing, never zero. */
export function typedNumber(event: Event): number | null {
  const text = (event.target as HTMLInputElement).value
  return text === '' ? null : Number(text)
}
