import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import AlertStrip from '@/parts/AlertStrip.vue'
import AlertsPage from '@/stations/alerts/AlertsPage.vue'
import RouteDialog from '@/stations/alerts/RouteDialog.vue'
import OwnLimits from '@/stations/materials/OwnLimits.vue'
import BoxesPage from '@/stations/rounds/BoxesPage.vue'
import FirstSteps from '@/stations/shelf/FirstSteps.vue'
import StockGroups from '@/stations/shelf/StockGroups.vue'
import CorrectDialog from '@/stations/spool/CorrectDialog.vue'
import CalendarDialog from '@/stations/today/CalendarDialog.vue'
import { useAlerts } from '@/stores/alerts'
import { useDryers } from '@/stores/dryers'
import { useShelf } from '@/stores/shelf'
import { make } from './contract'
import { plain, refuse, serve } from './pages'

const NOW_S = 1_800_000_000

beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
  vi.useRealTimers()
})

const alert = (key: string, urgent: boolean, mutedUntilS: number | null = null) =>
  make('AlertView', { key, text: `trouble ${key}`, link: `/place/1`, urgent, mutedUntilS })

describe('alerts', () => {
  async function shown(list: object[], wall = false) {
    serve({ '/api/alerts': list })
    await useAlerts().read()
    return mount(AlertStrip, { props: { wall }, global: plain })
  }

  it('show what is urgent as a whole and of the rest the first', async () => {
    const strip = await shown([alert('a', true), alert('b', false), alert('c', false)])
    expect(strip.findAll('[role="alert"]')).toHaveLength(1)
    expect(strip.findAll('[role="status"]')).toHaveLength(1)
    expect(strip.text()).toContain('and 1 more')
  })

  it('show all of them on the wall, where nobody presses anything', async () => {
    const strip = await shown([alert('b', false), alert('c', false)], true)
    expect(strip.findAll('[role="status"]')).toHaveLength(2)
    expect(strip.text()).not.toContain('more')
  })

  it('are silent while they are muted', async () => {
    const strip = await shown([alert('b', false, NOW_S)])
    expect(strip.text()).toBe('')
  })

  it('are muted for a time, and heard of again', async () => {
    const sent = serve({ '/api/alerts': [alert('b', false), alert('c', false, NOW_S + 3600)] })
    const page = mount(AlertsPage, { global: plain })
    await flushPromises()
    await page.get('select').setValue('8')
    await flushPromises()
    const mute = sent.find((each) => each.path === '/api/alerts/mutes' && each.method === 'POST')
    const { key, until } = mute?.body as { key: string; until: string }
    expect(key).toBe('b')
    expect((new Date(until).getTime() - Date.now()) / 3_600_000).toBeCloseTo(8, 1)
    await page
      .findAll('button')
      .find((each) => each.text().startsWith('hear of it again'))!
      .trigger('click')
    await flushPromises()
    expect(sent.some((each) => each.method === 'DELETE')).toBe(true)
  })

  it('are sent on ways that say whether a test was taken', async () => {
    const route = make('RouteView', { id: 4, kind: 'WEBHOOK', name: 'chat', target: 'http://a/b' })
    serve({
      '/api/alert-routes': [route],
      'POST /api/alert-routes/4/test': { problem: 'http://a/b did not take it' },
    })
    const page = mount(AlertsPage, { global: plain })
    await flushPromises()
    expect(page.get('[data-testid="routes"]').text()).toContain('chat: posted to http://a/b')
    await page
      .findAll('button')
      .find((each) => each.text() === 'Send a test')!
      .trigger('click')
    await flushPromises()
    expect(page.text()).toContain('did not take it')
  })

  it('ask for a kept password again as soon as it would go to another server', async () => {
    const route = make('RouteView', {
      id: 4,
      kind: 'MAIL',
      name: 'mine',
      smtpHost: 'mail.example.org',
      smtpPort: 587,
      smtpUser: 'bench',
      smtpSecurity: 'STARTTLS',
      hasPassword: true,
    })
    serve({})
    const dialog = mount(RouteDialog, { props: { route }, global: plain })
    const label = () => dialog.get('label[for="route-password"]').text()
    expect(label()).toContain('as it is, if empty')
    await dialog.get('#route-user').setValue('someone')
    expect(label()).toContain('again')
    await dialog.get('#route-user').setValue('bench')
    expect(label()).toContain('as it is, if empty')
  })
})

describe('boxes', () => {
  const box = (placeId: number, name: string, spentS: number | null) =>
    make('ContainerView', {
      placeId,
      name,
      desiccant: 'Silica gel',
      spentS,
      due: spentS !== null && spentS < NOW_S,
      weighedS: NOW_S,
      usedPercent: 40,
      limitPercent: 20,
    })

  it('come with what is due first, and record a mass in one line', async () => {
    const sent = serve({
      '/api/shelf': make('ShelfView', { nowS: NOW_S, frameHours: [0] }),
      '/api/containers': [
        box(1, 'later', NOW_S + 9e6),
        box(2, 'due', NOW_S - 60),
        box(3, 'tight', null),
      ],
    })
    await useShelf().read()
    const page = mount(BoxesPage, { global: plain })
    await flushPromises()
    const names = page.findAll('tbody tr').map((row) => row.get('td a').text())
    expect(names).toEqual(['due', 'later', 'tight'])
    expect(page.get('[data-testid="boxes-summary"]').text()).toBe('Desiccant is due in 1 of 3.')
    await page.get('tbody form input').setValue('215,5')
    await page.get('tbody form').trigger('submit')
    await flushPromises()
    expect(sent.find((each) => each.path.endsWith('/weighings'))).toMatchObject({
      path: '/api/places/2/desiccant/weighings',
      body: { massG: 215.5 },
    })
  })
})

describe('stock by material and colour', () => {
  const group = make('StockGroup', {
    material: 'PLA',
    colourName: 'reed',
    spools: 2,
    grams: 1500,
    metres: 500,
    minimumG: null,
    toOrderG: 0,
  })

  it('sets a minimum and takes it back with an empty field', async () => {
    const sent = serve({ '/api/stock/groups': [group] })
    const page = mount(StockGroups, { global: plain })
    await flushPromises()
    expect(page.text()).toContain('Nothing is below its minimum.')
    const put = () => sent.filter((each) => each.method === 'PUT').map((each) => each.body)
    await page.get('tbody input').setValue('2000')
    await page.get('tbody input').trigger('change')
    await flushPromises()
    await page.get('tbody input').setValue('')
    await page.get('tbody input').trigger('change')
    await flushPromises()
    expect(put().at(0)).toMatchObject({ material: 'PLA', colourName: 'reed', minimumG: 2000 })
    expect(put().at(-1)).toMatchObject({ minimumG: null })
  })

  it('says what is short', async () => {
    serve({ '/api/stock/groups': [{ ...group, minimumG: 2000, toOrderG: 500 }] })
    const page = mount(StockGroups, { global: plain })
    await flushPromises()
    expect(page.text()).toContain('1 below the minimum.')
    expect(page.get('tbody').text()).toContain('500 g')
  })
})

describe('first steps', () => {
  async function steps(shelf: object, dryers: object[] = []) {
    serve({
      '/api/shelf': make('ShelfView', { frameHours: [0], ...shelf }),
      '/api/dryers': dryers,
      '/api/plates': made.plates,
      '/api/jobs': made.jobs,
      '/api/prints': { nowS: NOW_S, running: [], ended: made.ended, signs: [] },
    })
    await Promise.all([useShelf().read(), useDryers().read()])
    const section = mount(FirstSteps, { global: plain })
    await flushPromises()
    return section
  }
  let made = { plates: [] as object[], jobs: [] as object[], ended: [] as object[] }
  const printer = make('ShelfPlace', {
    climateSource: 'TYPED',
    place: make('PlaceInfo', { id: 5, kind: 'PRINTER_HOLDER' }),
  })
  const place = (climateSource: 'ASSUMED' | 'TYPED') =>
    make('ShelfPlace', { climateSource, place: make('PlaceInfo', { id: 3, kind: 'ROOM' }) })

  it('ask for a place, then for its air, then for a spool, then for its mass', async () => {
    expect((await steps({})).get('.next').text()).toContain('Add a place')
    expect((await steps({ places: [place('ASSUMED')] })).get('.next').text()).toContain('humid')
    expect((await steps({ places: [place('TYPED')] })).get('.next').text()).toContain('Receive')
    const spool = make('SpoolView', { code: 'AC7X', weighedS: null })
    const unweighed = await steps({ places: [place('TYPED')], spools: [spool] })
    expect(unweighed.get('.next').text()).toContain('Weigh it')
  })

  it('go on to a printer, its plate, a job and its print', async () => {
    const spools = [make('SpoolView', { code: 'AC7X', weighedS: NOW_S })]
    const next = async (places: object[]) => (await steps({ places, spools })).get('.next').text()
    expect(await next([place('TYPED')])).toContain('Add a printer')
    expect(await next([place('TYPED'), printer])).toContain('Add its build plate')
    made = { ...made, plates: [{}] }
    expect(await next([place('TYPED'), printer])).toContain('Add a job')
    made = { ...made, jobs: [make('JobView', { id: 7 })] }
    expect(await next([place('TYPED'), printer])).toContain('Print it')
    made = { ...made, ended: [{}] }
    expect(await next([place('TYPED'), printer])).toContain('Add a dryer')
  })

  it('are over once all was done, and stay away once they are not wanted', async () => {
    const spool = make('SpoolView', { code: 'AC7X', weighedS: NOW_S })
    const full = { places: [place('TYPED'), printer], spools: [spool] }
    made = { plates: [{}], jobs: [], ended: [{}] }
    expect((await steps(full, [make('DryerView', {})])).find('section').exists()).toBe(false)
    const asked = await steps(full)
    await asked.get('button.plain').trigger('click')
    expect(asked.find('section').exists()).toBe(false)
    expect((await steps({})).find('section').exists()).toBe(false)
  })
})

describe('corrections and own limits', () => {
  const SAID = {
    ...make('SpoolDescription', {}),
    material: 'PLA',
    colourName: 'reed',
    colourHex: '#9a9a52',
    reel: 'cardboard',
    arrival: 'OPEN',
    version: 3,
  }

  it('send all that was said, with what was put right and the version read', async () => {
    const sent = serve({ '/api/spools/AC7X/description': SAID })
    const dialog = mount(CorrectDialog, { props: { code: 'AC7X' }, global: plain })
    await flushPromises()
    await dialog.get('#correct-colour').setValue('sedge')
    await dialog.get('form').trigger('submit')
    await flushPromises()
    expect(sent.find((each) => each.method === 'PUT')?.body).toMatchObject({
      material: 'PLA',
      colourName: 'sedge',
      version: 3,
    })
    expect(dialog.emitted('close')).toBeTruthy()
  })

  it('say at the field what cannot be', async () => {
    serve({
      'GET /api/spools/AC7X/description': SAID,
      'PUT /api/spools/AC7X/description': refuse(
        'rimRadiusMm',
        '60',
        'a rim that holds what was weighed',
        'Measure it.',
      ),
    })
    const dialog = mount(CorrectDialog, { props: { code: 'AC7X' }, global: plain })
    await flushPromises()
    await dialog.get('form').trigger('submit')
    await flushPromises()
    expect(dialog.get('.field:has(#correct-rim)').text()).toContain('holds what was weighed')
    expect(dialog.emitted('close')).toBeFalsy()
  })

  it('set a limit with its reason, for all lots or for one', async () => {
    const sent = serve({})
    const own = make('LimitView', {
      id: 8,
      material: 'PETG',
      lotId: 5,
      reason: 'strings',
      version: 2,
    })
    const limits = mount(OwnLimits, {
      props: { material: 'PETG', lotId: 5, own, tableLimit: 0.2, tableTarget: 0.1 },
      global: plain,
    })
    await flushPromises()
    expect(limits.text()).toContain('strings')
    await limits.get('button').trigger('click')
    await limits.get('#own-limit-5').setValue('0.15')
    await limits.get('form').trigger('submit')
    await flushPromises()
    expect(sent.find((each) => each.method === 'PUT')?.body).toMatchObject({
      material: 'PETG',
      lotId: 5,
      printLimitPercent: 0.15,
      reason: 'strings',
      version: 2,
    })
  })
})

describe('the calendar', () => {
  it('gives the address that other devices reach, and says where they cannot', async () => {
    serve({
      '/api/label-address': {
        base: 'http://bench.local:8080',
        onlyHere: true,
        advice: 'Start it with --network NAME.',
      },
    })
    const dialog = mount(CalendarDialog, { global: plain })
    await flushPromises()
    expect(dialog.get('[data-testid="calendar-address"]').text()).toBe(
      'http://bench.local:8080/api/today.ics',
    )
    expect(dialog.get('a.primary').attributes('href')).toBe(
      'webcal://bench.local:8080/api/today.ics',
    )
    expect(dialog.text()).toContain('--network NAME')
  })
})
