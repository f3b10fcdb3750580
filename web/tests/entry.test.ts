import { describe, expect, it } from 'vitest'
import { entered } from '@/stations/rounds/entry'

describe('what is entered in a round', () => {
  it('is understood by its form: addresses, codes, masses, names', () => {
    expect(entered('http://bench:8090/spool/ac7x')).toEqual([{ code: 'AC7X' }])
    expect(entered('https://bench.local/place/12/')).toEqual([{ placeId: 12 }])
    expect(entered(' 904,7 ')).toEqual([{ words: '904,7' }])
    expect(entered('Gasket box A')).toEqual([{ words: 'Gasket box A' }])
    expect(entered('   ')).toEqual([])
  })

  it('loses nothing of what was left in the field, nor of scans whose Enter was lost', () => {
    expect(entered('11http://bench/spool/AC7X')).toEqual([{ words: '11' }, { code: 'AC7X' }])
    expect(entered('http://127.http://bench/spool/AC7X')).toEqual([
      { words: 'http://127.' },
      { code: 'AC7X' },
    ])
    expect(entered('http://bench/spool/AC7X1120')).toEqual([{ code: 'AC7X' }, { words: '1120' }])
    expect(entered('http://bench/spool/AC7Xhttp://bench/place/3')).toEqual([
      { code: 'AC7X' },
      { placeId: 3 },
    ])
  })

  it('leaves alone what only looks like a label', () => {
    expect(entered('http://bench/spool/AB')).toEqual([{ words: 'http://bench/spool/AB' }])
    expect(entered('http://bench/place/1234567890')).toEqual([
      { words: 'http://bench/place/1234567890' },
    ])
  })
})
