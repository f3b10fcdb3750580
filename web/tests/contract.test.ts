import { describe, expect, it } from 'vitest'
import { make, requestErrors } from './contract'

describe('requests held against the API document', () => {
  it('takes what it describes', () => {
    expect(requestErrors('GET', '/api/spools/K7F4', null)).toBe('')
    expect(requestErrors('POST', '/api/spools/K7F4/weighings', { grossMassG: 812.5 })).toBe('')
  })

  it('refuses what it does not', () => {
    expect(requestErrors('GET', '/api/spoons', null)).toBe('there is no GET /api/spoons')
    expect(requestErrors('DELETE', '/api/spools/K7F4/weighings', null)).toContain('there is no')
    expect(requestErrors('POST', '/api/acts/4/undo', { id: 4 })).toContain('takes no body')
    expect(requestErrors('POST', '/api/spools/K7F4/weighings', { grossMassG: 'much' })).toContain(
      'grossMassG must be number',
    )
  })

  it('makes whole answers of what is given', () => {
    const act = make('ActView', { id: 4 })
    expect(act).toMatchObject({ id: 4, undoneS: null, lines: [], origin: 'HAND' })
  })
})
