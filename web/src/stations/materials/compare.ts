import type { Schemas } from '@/api/client'
import { difference, moisture, temperature } from '@/parts/format'

type Profile = Schemas['MaterialProfileView']

/** Something that materials are compared by. */
export interface Property {
  key: string
  title: string
  /** What lies at the left and at the right of its line. */
  ends: readonly [string, string]
  of: (profile: Profile) => number | null
  words: (value: number) => string
  /** Whether steps are by factors rather than by differences. */
  byFactors: boolean
}

export const PROPERTIES: readonly Property[] = [
  {
    key: 'water',
    title: 'Water that it holds at 50 % humidity',
    ends: ['holds little', 'holds much'],
    of: (it) => it.waterPercent,
    words: moisture,
    byFactors: true,
  },
  {
    key: 'uptake',
    title: 'How long an open spool takes to take it up',
    ends: ['within hours', 'within weeks'],
    of: (it) => it.uptakeDays,
    words: (days) => (days < 2 ? `${(24 * days).toFixed(0)} h` : `${days.toFixed(0)} days`),
    byFactors: true,
  },
  {
    key: 'bends',
    title: 'Bends under light load from',
    ends: ['soft when warm', 'stands warmth'],
    of: (it) => it.bendsC,
    words: (celsius) => temperature(celsius),
    byFactors: false,
  },
  {
    key: 'pull',
    title: 'How much it wants to warp: stress if nothing gave way',
    ends: ['lies flat', 'warps'],
    of: (it) => it.pullMPa,
    words: (value) => `${value.toFixed(value < 3 ? 1 : 0)} MPa`,
    byFactors: true,
  },
  {
    key: 'stiffness',
    title: 'Stiffness as printed',
    ends: ['soft', 'stiff'],
    of: (it) => it.stiffnessGPa,
    words: (value) => `${value.toFixed(2)} GPa`,
    byFactors: true,
  },
  {
    key: 'stretch',
    title: 'Stretches before it breaks by',
    ends: ['brittle', 'tough'],
    of: (it) => it.stretchPercent,
    words: (value) => `${value.toFixed(0)} %`,
    byFactors: true,
  },
  {
    key: 'nozzle',
    title: 'Nozzle, usual',
    ends: ['cool', 'hot'],
    of: (it) => it.nozzleC,
    words: (celsius) => temperature(celsius),
    byFactors: false,
  },
]

/** A material on a line, 0 to 100. */
export interface Mark {
  name: string
  x: number
  value: number
  own: boolean
}

/** Where materials lie on the line of a property; those without a value are left out. */
export function marks(profiles: readonly Profile[], property: Property): Mark[] {
  const known = profiles
    .map((profile) => ({ profile, value: property.of(profile) }))
    .filter((each): each is { profile: Profile; value: number } => each.value !== null)
  const scaled = known.map((each) =>
    property.byFactors ? Math.log(Math.max(1e-6, each.value)) : each.value,
  )
  const low = Math.min(...scaled)
  const span = Math.max(1e-9, Math.max(...scaled) - low)
  return known.map(({ profile, value }, i) => ({
    name: profile.name,
    x: (100 * (scaled[i]! - low)) / span,
    value,
    own: profile.name !== profile.kind,
  }))
}

/** How one differs from another on a property, in words. */
export function against(property: Property, one: number, other: number): string {
  if (property.byFactors) {
    const factor = one / other
    return Math.abs(factor - 1) < 0.05
      ? 'about the same'
      : factor > 1
        ? `${factor.toFixed(1)} times as much`
        : `${(1 / factor).toFixed(1)} times less`
  }
  const more = one - other
  return Math.abs(more) < 0.5
    ? 'about the same'
    : `${difference(Math.abs(more), 0)} ${more > 0 ? 'higher' : 'lower'}`
}
