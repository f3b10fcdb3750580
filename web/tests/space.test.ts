import { describe, expect, it } from 'vitest'
import { bytesInWords, inDatabase, inFiles } from '@/stations/acts/space'

const use = (id: string, bytes: number, within = false) => ({
  id,
  title: id,
  count: 1,
  bytes,
  inDatabase: within,
  rule: '',
})

describe('what takes room', () => {
  it('is said in units that are read at a glance', () => {
    expect(bytesInWords(0)).toBe('0 bytes')
    expect(bytesInWords(1023)).toBe('1023 bytes')
    expect(bytesInWords(1536)).toBe('1.5 kB')
    expect(bytesInWords(200 * 2 ** 20)).toBe('200 MB')
    expect(bytesInWords(2 ** 50)).toBe('1024 TB')
  })

  it('is drawn against the largest, and once: the database has what is in it', () => {
    const all = [use('a', 10), use('b', 40), use('acts', 99, true)]
    expect(inFiles(all).map((each) => [each.id, each.share])).toEqual([
      ['b', 1],
      ['a', 0.25],
    ])
    expect(inDatabase(all).map((each) => each.id)).toEqual(['acts'])
    expect(inFiles([use('none', 0)])[0]!.share).toBe(0)
  })
})
