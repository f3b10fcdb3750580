import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { expect, it } from 'vitest'
import { nextTick } from 'vue'
import NoDryer from '@/stations/dry/NoDryer.vue'
import { useDryerForm } from '@/stations/dry/dryerForm'
import { useDryers } from '@/stores/dryers'
import { make } from './contract'
import { plain } from './pages'

it('offers to add a dryer only where it is known that there is none', async () => {
  setActivePinia(createPinia())
  const dryers = useDryers()
  const page = mount(NoDryer, { global: plain })
  await flushPromises()
  expect(page.find('[data-testid=no-dryer]').exists()).toBe(false)
  dryers.known = true
  await nextTick()
  expect(page.text()).toContain('There is no dryer yet')
  dryers.dryers = [make('DryerView', { placeId: 4 })]
  await nextTick()
  expect(page.find('[data-testid=no-dryer]').exists()).toBe(false)
})

it('takes the first dryer that is added, and leaves a choice that was made', async () => {
  setActivePinia(createPinia())
  const dryers = useDryers()
  dryers.known = true
  const { form } = useDryerForm()
  expect(form.value.dryerId).toBe(0)
  dryers.dryers = [make('DryerView', { placeId: 4, roomId: 2, outOfOrder: false })]
  await nextTick()
  expect(form.value.dryerId).toBe(4)
  expect(form.value.roomId).toBe(2)
  dryers.dryers = [...dryers.dryers, make('DryerView', { placeId: 5, roomId: 2 })]
  await nextTick()
  expect(form.value.dryerId).toBe(4)
})
