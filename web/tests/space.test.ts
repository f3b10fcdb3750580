import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { describe, expect, it } from 'vitest'
import SpacePage from '@/stations/acts/SpacePage.vue'
import { bytesInWords, inDatabase, inFiles } from '@/stations/acts/space'
import { make } from './contract'
import { plain, serve } from './pages'

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

  it('stands on a page that makes a backup and lists it', async () => {
    setActivePinia(createPinia())
    const backups: object[] = []
    const sent = serve({
      'GET /api/space': make('SpaceView', {
        freeMb: 2048,
        neededMb: 100,
        uses: [
          use('Database', 4 * 2 ** 20),
          use('Backups', 2 ** 20),
          use('What was done', 0, true),
        ],
      }),
      'GET /api/backups': backups,
      'POST /api/backups': make('BackupView', { file: 'mind-spool-one.zip' }),
    })
    const page = mount(SpacePage, { global: plain })
    await flushPromises()
    expect(page.get('h1').text()).toBe('Mind Spool takes 5.0 MB; 2.0 GB are free')
    expect(page.findAll('.bar span').map((bar) => bar.attributes('style'))).toEqual([
      'width: 100%;',
      'width: 25%;',
    ])
    expect(page.text()).toContain('There is none yet')
    backups.push(
      make('BackupView', { file: 'mind-spool-one.zip', reason: 'manual', bytes: 2048, atS: 0 }),
    )
    await page.get('[data-testid="back-up"]').trigger('click')
    await flushPromises()
    expect(sent.filter((each) => each.method === 'POST').map((each) => each.path)).toEqual([
      '/api/backups',
    ])
    expect(page.text()).toContain('by hand')
    expect(page.text()).toContain('2.0 kB')
    expect(page.text()).toContain('mind-spool-one.zip')
  })
})
