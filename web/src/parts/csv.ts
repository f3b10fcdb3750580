/** A cell that a spreadsheet takes for a formula is made a text. */
function cell(value: string | number | null): string {
  const text = value === null ? '' : String(value)
  const safe = typeof value === 'string' && /^[=+\-@\t\r]/.test(text) ? `'${text}` : text
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe
}

/** A table as comma-separated values (RFC 4180). */
export function csv(
  head: readonly string[],
  rows: readonly (readonly (string | number | null)[])[],
): string {
  return [head, ...rows].map((row) => row.map(cell).join(',')).join('\r\n') + '\r\n'
}

/** Hands a text to the person as a file. */
export function saveAs(fileName: string, text: string, type = 'text/csv') {
  const link = document.createElement('a')
  // The mark at the beginning tells spreadsheets that it is UTF-8.
  const mark = type === 'text/csv' ? ['\ufeff'] : []
  link.href = URL.createObjectURL(new Blob([...mark, text], { type }))
  link.download = fileName
  link.click()
  URL.revokeObjectURL(link.href)
}
