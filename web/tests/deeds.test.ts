import { flushPromises, mount, RouterLinkStub } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import { held, kept, takenOutNow } from '@/stations/dry/takenOut'
import DeedDialog from '@/stations/today/DeedDialog.vue'
import { make } from './contract'
import { plain, refuse, serve } from './pages'

const DONE: Schemas['Advice'] = {
  code: '4XHJ',
  nowS: 1_800_000_000,
  surePrintsS: null,
  hoursLeft: null,
  outerPercent: 0.05,
  corePercent: 0.12,
  printLimitPercent: 0.2,
  room: 'Workshop',
  bagWithinHours: 2,
  printableHours: 30,
  homes: [],
}

describe('what taking a spool out leaves', () => {
  it('says nothing once its time is over and it prints', () => {
    expect(takenOutNow(DONE)).toBe('')
    expect(takenOutNow({ ...DONE, hoursLeft: 0.2 })).toBe('')
  })

  it('says how early it is and that it prints all the same', () => {
    expect(takenOutNow({ ...DONE, hoursLeft: 3 })).toBe(
      '3 h before its time. It prints all the same; it would stay so for longer.',
    )
  })

  it('names what is wet still, and where the limit is', () => {
    expect(takenOutNow({ ...DONE, hoursLeft: 3, corePercent: 0.3 })).toBe(
      '3 h before its time. Its outer wraps print, its core does not yet: 0.300 %; the print limit is 0.200 %. Print it at once, then dry it again.',
    )
    expect(takenOutNow({ ...DONE, outerPercent: 0.25, corePercent: 0.3 })).toBe(
      'It does not print yet: outer wraps 0.250 %, core 0.300 %; the print limit is 0.200 %.',
    )
  })

  it('says from when it surely prints, as its cycle says', () => {
    const later = { ...DONE, hoursLeft: 3, surePrintsS: DONE.nowS + 7200 }
    expect(takenOutNow(later)).toMatch(
      /^3 h before its time. It may print already, surely only from \w{3} \d\d:\d\d: outer wraps 0.050 %, core 0.120 %; the print limit is 0.200 %.$/,
    )
    expect(takenOutNow({ ...DONE, surePrintsS: DONE.nowS })).toBe('')
  })

  it('says how long a place keeps it dry, or else good enough to print', () => {
    const home = make('Home', { goodHours: 5, printableHours: 48 * 1.5 })
    expect(kept(home)).toBe('dry for 5 h')
    expect(kept({ ...home, goodHours: null })).toBe('dry for two weeks and more')
    expect(kept({ ...home, goodHours: 0 })).toBe('prints for 3 days')
    expect(kept({ ...home, goodHours: 0, printableHours: 0 })).toBe('too wet to print')
  })

  it('says how long a place holds it', () => {
    expect(held(null)).toBe('two weeks and more')
    expect(held(0)).toBe('no time: too wet')
    expect(held(0.01)).toBe('3 min')
  })
})

describe('a job that is started from Today', () => {
  const deed = make('Deed', {
    kind: 'START_JOB',
    jobId: 7,
    codes: ['4XHJ'],
    cycleId: null,
    placeId: 3,
  })

  async function started(answer: object) {
    setActivePinia(createPinia())
    const sent = serve({ 'POST /api/jobs/7/start': answer })
    const dialog = mount(DeedDialog, { props: { what: 'Start the gear', deed }, global: plain })
    await dialog.get('form').trigger('submit')
    await flushPromises()
    expect(sent[0]?.body).toEqual({ code: '4XHJ', placeId: 3 })
    return dialog
  }

  it('leads to the sheet whose check holds it back', async () => {
    const dialog = await started(
      refuse(
        'overrides',
        'the core has 1.2 %',
        'a reason for starting all the same, for the check moisture',
        'Dry it first.',
      ),
    )
    const said = dialog.get('[data-testid=held-back]')
    expect(said.text()).toContain('is not met: the core has 1.2 %. Dry it first.')
    expect(said.text()).not.toContain('overrides')
    expect(said.findComponent(RouterLinkStub).props('to')).toBe('/print/jobs/7')
    expect(dialog.emitted('close')).toBeUndefined()
  })

  it('says of a field what is wrong with it', async () => {
    const dialog = await started(refuse('code', '4XHJ', 'another spool', 'It is in a dryer.'))
    expect(dialog.find('[data-testid=held-back]').exists()).toBe(false)
    expect(dialog.text()).toContain('It is in a dryer.')
  })
})
