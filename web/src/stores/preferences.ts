import { defineStore } from 'pinia'
import { ref, watch } from 'vue'
import { tellPerson } from '@/api/client'

type Theme = 'light' | 'dark'

function stored(key: string): string | null {
  try {
    return localStorage.getItem(key)
  } catch {
    return null
  }
}

function store(key: string, value: string) {
  try {
    localStorage.setItem(key, value)
  } catch {
    // A browser that keeps nothing still works; it only forgets the choice.
  }
}

/** What a person prefers on this device. */
export const usePreferences = defineStore('preferences', () => {
  const system: Theme = matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'
  const theme = ref<Theme>((stored('theme') as Theme | null) ?? system)
  const fahrenheit = ref(stored('temperature') === 'F')

  /** Who works at this device; goes with everything recorded from it. */
  const person = ref(stored('person') ?? '')
  watch(person, (value) => {
    store('person', value.trim())
    tellPerson(value.trim())
  })
  tellPerson(person.value)

  /** Price of a kWh in whatever money is used here; none while nobody gave one. */
  const energyPrice = ref<number | null>(Number(stored('energyPrice')) || null)
  watch(energyPrice, (value) => store('energyPrice', String(value ?? '')))

  watch(theme, (value) => (document.documentElement.dataset.theme = value), { immediate: true })

  function switchTheme() {
    theme.value = theme.value === 'dark' ? 'light' : 'dark'
    store('theme', theme.value)
  }

  function switchTemperature() {
    fahrenheit.value = !fahrenheit.value
    store('temperature', fahrenheit.value ? 'F' : 'C')
  }

  return { theme, fahrenheit, person, energyPrice, switchTheme, switchTemperature }
})
