import { describe, expect, it } from 'vitest'
import { numbersIn } from '@/stations/devices/messageNumbers'
import { scannerOf, type Scan } from '@/parts/scanner'

describe('a label scanner that types', () => {
  function typed(text: string, everyMs: number): Scan[] {
    const found: Scan[] = []
    const scan = scannerOf((each) => found.push(each))
    let at = 1000
    for (const key of [...text, 'Enter']) {
      scan(key, (at += everyMs))
    }
    return found
  }

  it('differs from a person by its speed', () => {
    expect(typed('AC7X', 8)).toEqual([{ code: 'AC7X' }])
    expect(typed('AC7X', 200)).toEqual([])
  })

  it('may have one key held back by a busy computer, a person may not', () => {
    const found: Scan[] = []
    const scan = scannerOf((each) => found.push(each))
    const keys = ['A', 'C', '7', 'X', 'Enter']
    const at = (times: number[]) => keys.map((key, i) => scan(key, times[i]!))
    expect(at([1000, 1008, 1016, 1166, 1174]).at(-1)).toBe(true)
    expect(at([5000, 5120, 5240, 5360, 5480]).some(Boolean)).toBe(false)
    expect(at([9000, 9005, 9010, 9015, 9400]).at(-1)).toBe(false)
    expect(found).toEqual([{ code: 'AC7X' }])
  })

  it('puts a field back as it was, and leaves a scale that types alone', () => {
    const found: Scan[] = []
    const scan = scannerOf((each) => found.push(each))
    const type = (text: string, field: { value: string }) =>
      [...text, 'Enter'].map((key, i) => {
        const taken = scan(key, 10_000 * text.length + 5 * i, field)
        if (key !== 'Enter' && !taken) {
          field.value += key
        }
        return taken
      })
    const price = { value: '19' }
    expect(type('http://host:8080/spool/ac7x', price).at(-1)).toBe(true)
    expect(price.value).toBe('19')
    const mass = { value: '' }
    expect(type('4793', mass).some(Boolean)).toBe(false)
    expect(mass.value).toBe('4793')
    const note = { value: '' }
    expect(type('AC7X', note).at(-1)).toBe(true)
    expect(note.value).toBe('')
    expect(found).toEqual([{ code: 'AC7X' }, { code: 'AC7X' }])
  })

  it('finds the code at the end of an address and ignores other codes', () => {
    expect(typed('http://host:8080/spool/ac7x', 5)).toEqual([{ code: 'AC7X' }])
    expect(typed('0015', 5)).toEqual([])
    // A whole address is none that anybody types, however slowly it comes.
    expect(typed('http://host:8080/spool/ac7x', 150)).toEqual([{ code: 'AC7X' }])
  })

  it('knows places by their address, not by a bare number', () => {
    expect(typed('http://host:8080/place/12', 5)).toEqual([{ placeId: 12 }])
    expect(typed('12', 5)).toEqual([])
    expect(typed('http://host:8080/place/', 5)).toEqual([])
  })
})

describe('numbers in a message', () => {
  it('are found with their pointers and a guess at what they are', () => {
    const found = numbersIn('{"sensors": [{"rh": 0.45, "temp": "21.5"}], "ts": 1760000000}')
    expect(found.map((each) => each.pointer)).toEqual(['/sensors/0/rh', '/sensors/0/temp', '/ts'])
    expect(found[0]?.guess).toBe('FRACTION')
    expect(found[1]?.guess).toBe('CELSIUS')
    expect(found[2]?.isTime).toBe(true)
  })

  it('are the message itself where it is a plain number', () => {
    expect(numbersIn(' 1215,4 ')).toEqual([
      { pointer: '', shown: '1215,4', isTime: false, guess: null },
    ])
    expect(numbersIn('hello')).toEqual([])
  })
})
