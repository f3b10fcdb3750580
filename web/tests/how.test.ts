import { flushPromises, mount, RouterLinkStub } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { STATIONS, goal, stationOf } from '@/stations'
import HowPage from '@/stations/how/HowPage.vue'
import { TOPICS, topicText } from '@/stations/how/topics'

const links = { global: { stubs: { RouterLink: RouterLinkStub } } }

describe('how it computes', () => {
  it('has a text for every topic, with its limits and what it is held against', async () => {
    for (const { id } of TOPICS.filter((each) => each.id !== 'checks')) {
      const text = (await topicText(id)) ?? ''
      expect(text, id).toContain('## How it computes')
      expect(text, id).toContain('## Where it does not hold')
      expect(text, id).toContain('## Held against')
    }
  })

  it('shows equations, and leads from one text to another', async () => {
    const page = mount(HowPage, { props: { topic: 'moisture' }, ...links })
    await vi.waitFor(() => expect(page.get('h1').text()).toBe('Water in a spool'), 60_000)
    expect(page.get('pre').text()).toContain('dy_n/dt')
    expect(page.find('a[href="/how/checks"]').exists()).toBe(true)
    await page.setProps({ topic: 'nothing' })
    await flushPromises()
    expect(page.text()).toContain('There is no such text.')
  })

  it('is named by every station whose numbers have a why', () => {
    const known = TOPICS.map((each) => each.id as string)
    for (const route of STATIONS.flatMap((station) => station.routes)) {
      if (route.meta?.how) {
        expect(known, route.path).toContain(route.meta.how)
      }
    }
    expect(stationOf('/spool/K7F4')?.routes.every((route) => route.meta?.how)).toBe(true)
  })
})

describe('stations', () => {
  it('have keys and paths of their own', () => {
    const keys = STATIONS.flatMap((each) => [each.key, ...(each.pages ?? []).map((p) => p.key)])
    expect(new Set(keys).size).toBe(keys.length)
    expect(goal('p')).toBe('/plan')
    expect(goal('0')).toBeUndefined()
  })

  it('own every page that they route', () => {
    expect(stationOf('/plan')?.name).toBe('Dry')
    expect(stationOf('/lots')?.name).toBe('Receive')
    expect(stationOf('/place/3')?.name).toBe('Shelf')
    expect(stationOf('/nowhere')).toBeUndefined()
    expect(STATIONS.filter((each) => each.onPhone === 'bar').length).toBeLessThanOrEqual(5)
  })
})
