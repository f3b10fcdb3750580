/** Numbers as people write them in a row: between spaces or semicolons, decimal commas too. */
export function numbers(text: string): number[] {
  return text
    .trim()
    .split(/[\s;]+/)
    .map((each) => each.replace(/,$/, '').replace(',', '.'))
    .filter((each) => each !== '')
    .map(Number)
    .filter((each) => Number.isFinite(each))
}

/** Rows of numbers; a line without any is none. */
export function grid(text: string): number[][] {
  return text
    .split('\n')
    .map(numbers)
    .filter((row) => row.length > 0)
}
