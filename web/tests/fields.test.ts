import { mount } from '@vue/test-utils'
import { ElInputNumber } from 'element-plus'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { defineComponent, h, nextTick, ref, type Ref } from 'vue'
import { Problem } from '@/api/client'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { fieldWords, readable, useFormProblem } from '@/parts/formProblem'
import { usePreferences } from '@/stores/preferences'

beforeEach(() => setActivePinia(createPinia()))

/** A form with one number and the note of what went wrong. */
function formWith(problem: Ref<Problem | null>, value: Ref<number | null>, name: string) {
  return mount(
    defineComponent(() => {
      useFormProblem(problem)
      return () => [
        h(NumberField, {
          id: 'hot',
          label: 'rated maximum, °C',
          name,
          modelValue: value.value,
          'onUpdate:modelValue': (typed: number | null) => (value.value = typed),
        }),
        problem.value ? h(ProblemNote, { problem: problem.value }) : null,
      ]
    }),
    { attachTo: document.body, global: { components: { ElInputNumber } } },
  )
}

const REFUSED = new Problem('Not accepted', '', [
  {
    field: 'reels[0].ratedMaxC',
    value: '400.000000001',
    allowed: '30 to 250 °C',
    advice: 'As its plate says.',
  },
])

describe('a field that the server refuses', () => {
  it('says so at its own place, by the label that is seen, until it is changed', async () => {
    const problem = ref<Problem | null>(null)
    const value = ref<number | null>(400)
    const page = formWith(problem, value, 'ratedMaxC')
    expect(page.find('#hot-problem').exists()).toBe(false)
    problem.value = REFUSED
    await nextTick()
    expect(page.get('#hot-problem').text()).toBe('Allowed: 30 to 250 °C. As its plate says.')
    expect(page.get('.problem').text()).toContain('rated maximum, °C: 400 is not accepted')
    await page.get('.problem button').trigger('click')
    expect(document.activeElement?.id).toBe('hot')
    value.value = 70
    await nextTick()
    expect(page.find('#hot-problem').exists()).toBe(false)
    page.unmount()
  })

  it('is not taken for another one', async () => {
    const page = formWith(ref(REFUSED), ref(70), 'setpointC')
    await nextTick()
    expect(page.find('#hot-problem').exists()).toBe(false)
    expect(page.get('.problem').text()).toContain('rated max, °C: 400 is not accepted')
    page.unmount()
  })

  it('has words where no label is on the page', () => {
    expect(fieldWords('reels[2].grossMassG')).toBe('gross mass, g')
    expect(fieldWords('points[1]')).toBe('points 2')
    expect(fieldWords('placeId')).toBe('place')
    expect(fieldWords('name')).toBe('name')
    expect(readable('2.000000000001 to 17.123456 g')).toBe('2 to 17.12 g')
  })
})

describe('a temperature that is typed', () => {
  it('is typed in °F where the person chose so, and stays in °C', async () => {
    usePreferences().fahrenheit = true
    const value = ref<number | null>(70)
    const page = formWith(ref(null), value, 'ratedMaxC')
    const input = page.get('input')
    expect(page.get('label').text()).toBe('rated maximum, °F')
    expect((input.element as HTMLInputElement).value).toBe('158')
    await input.setValue('212')
    await input.trigger('change')
    expect(value.value).toBeCloseTo(100, 6)
    page.unmount()
  })
})
