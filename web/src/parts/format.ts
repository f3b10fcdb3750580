import { usePreferences } from '@/stores/preferences'

const HOUR_S = 3600
const DAY_S = 86_400

/** Moisture in percent with as many decimals as tell it apart, such as 0.26 % or 3.1 %. */
export function moisture(percent: number): string {
  const decimals = percent >= 9.95 ? 1 : percent >= 0.995 ? 2 : 3
  return `${percent.toFixed(decimals)} %`
}

/** A mass in g, from 10 g on without decimals. */
export function grams(mass: number): string {
  return `${mass.toFixed(mass < 10 ? 1 : 0)} g`
}

/** A length in m without decimals. */
export function metres(length: number): string {
  return `${length.toFixed(0)} m`
}

/** A band as one number where it is exact, else as a range around its middle. */
export function band(
  value: { low: number; typical: number; high: number },
  write: (value: number) => string,
): string {
  return value.low === value.high
    ? write(value.typical)
    : `${write(value.typical)} (${value.low.toFixed(0)} to ${value.high.toFixed(0)})`
}

/** A temperature in the unit that the person chose. */
export function temperature(celsius: number, decimals = 0): string {
  return usePreferences().fahrenheit
    ? `${(celsius * 1.8 + 32).toFixed(decimals)} °F`
    : `${celsius.toFixed(decimals)} °C`
}

/** A temperature as a number in the unit that the person chose. */
export function inUnit(celsius: number): number {
  return usePreferences().fahrenheit ? Math.round(10 * (celsius * 1.8 + 32)) / 10 : celsius
}

/** A number in the unit that the person chose as a temperature in °C. */
export function fromUnit(shown: number): number {
  return usePreferences().fahrenheit ? Math.round(1000 * ((shown - 32) / 1.8)) / 1000 : shown
}

/** A label that names °C with the unit that the person chose. */
export function withUnit(label: string): string {
  return usePreferences().fahrenheit ? label.replace('°C', '°F') : label
}

/** A limit that must not be passed, rounded down, in the unit that the person chose. */
export function atMost(celsius: number): string {
  const floor = (value: number) => Math.floor(value + 1e-6)
  return usePreferences().fahrenheit ? `${floor(celsius * 1.8 + 32)} °F` : `${floor(celsius)} °C`
}

/** What something is set to: to the tenth where it is no whole number, never more than it is. */
export function setTo(celsius: number): string {
  const shown = usePreferences().fahrenheit ? celsius * 1.8 + 32 : celsius
  const unit = usePreferences().fahrenheit ? '°F' : '°C'
  return `${Math.floor(10 * shown + 1e-6) / 10} ${unit}`
}

/** A difference of temperatures in the unit that the person chose. */
export function difference(kelvin: number, decimals = 1): string {
  return usePreferences().fahrenheit
    ? `${(kelvin * 1.8).toFixed(decimals)} °F`
    : `${kelvin.toFixed(decimals)} °C`
}

const NUMBER = String.raw`-?\d+(?:\.\d+)?`
/** One number or several that share a unit: "50 to 65", "11.5 ± 5.2", "60, 65 or 70". */
const NUMBERS = `${NUMBER}(?:(?:(?:, ${NUMBER})* (?:to|and|or|±) |–)${NUMBER})*`
const TEMPERATURES = new RegExp(
  String.raw`(\bby )?(${NUMBERS}) °C( (?:colder|cooler|warmer|hotter|higher|lower|apart)\b)?`,
  'g',
)
const DIFFERENCES = new RegExp(String.raw`(${NUMBERS}) K\b`, 'g')

/** Numbers that share a unit, each by itself; what follows ± is a difference in any case. */
function each(numbers: string, ofOne: (value: number) => number): string {
  return numbers.replace(
    new RegExp(`(± )?(${NUMBER})`, 'g'),
    (_, unsure: string = '', one: string) => {
      const shown = unsure ? toDifference(Number(one)) : ofOne(Number(one))
      return unsure + shown.toFixed(one.split('.')[1]?.length ?? 0)
    },
  )
}

const toDifference = (kelvin: number) => (usePreferences().fahrenheit ? kelvin * 1.8 : kelvin)
const toTemperature = (celsius: number) => celsius * 1.8 + 32

/** A title as it stands within a sentence: its first letter small; an abbreviation stays. */
export function lowerFirst(title: string): string {
  return /^\p{Lu}{2}/u.test(title) ? title : title.charAt(0).toLowerCase() + title.slice(1)
}

/**
 * A sentence of the server with its temperatures, and their differences in K or said with "by", in
 * the unit that the person chose.
 */
export function inShownUnits(sentence: string): string {
  const unit = usePreferences().fahrenheit ? '°F' : '°C'
  const inC = usePreferences().fahrenheit
    ? sentence.replace(
        TEMPERATURES,
        (_, by: string = '', numbers: string, more: string = '') =>
          `${by}${each(numbers, by || more ? toDifference : toTemperature)} ${unit}${more}`,
      )
    : sentence
  return inC.replace(DIFFERENCES, (_, numbers: string) => `${each(numbers, toDifference)} ${unit}`)
}

/** Relative humidity without decimals. */
export function humidity(percent: number): string {
  return `${percent.toFixed(0)} %`
}

/** Hours as people say them: minutes below one, tenths up to two days, then days. */
export function hours(value: number): string {
  if (value < 1) {
    return `${Math.max(1, Math.round(value * 60))} min`
  }
  return value < 48 ? `${+value.toFixed(1)} h` : `${+(value / 24).toFixed(1)} days`
}

/** Weekday and clock for the coming week, else the date; epoch seconds. */
export function moment(timeS: number, nowS: number): string {
  const date = new Date(timeS * 1000)
  const clock = date.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
  if (Math.abs(timeS - nowS) < 6.5 * DAY_S) {
    return `${date.toLocaleDateString('en-GB', { weekday: 'short' })} ${clock}`
  }
  return date.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })
}

/** Full date and clock, epoch seconds. */
export function dateTime(timeS: number): string {
  return new Date(timeS * 1000).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  })
}

/** How long ago, in the largest whole unit. */
export function ago(timeS: number, nowS: number): string {
  const passed = nowS - timeS
  if (passed < 90) {
    return 'just now'
  }
  if (passed < HOUR_S) {
    return `${Math.round(passed / 60)} min ago`
  }
  if (passed < 2 * DAY_S) {
    return `${Math.round(passed / HOUR_S)} h ago`
  }
  return `${Math.round(passed / DAY_S)} days ago`
}
