import type { Schemas } from '@/api/client'

export type Item = Schemas['UpkeepItemView']

/** All tasks of one machine, plate or the workshop, together by what state it is in for them. */
export interface Bench {
  key: string
  subject: Item['subject']
  subjectId: number
  name: string
  groups: { state: string; items: Item[] }[]
  later: Item[]
  due: number
}

export function keyOf(item: Item): string {
  return `${item.subject}-${item.subjectId}`
}

/** Benches in the order of what is due on them; what is due or soon by state, the rest apart. */
export function benches(items: readonly Item[]): Bench[] {
  const byKey = new Map<string, Bench>()
  for (const item of items) {
    const key = keyOf(item)
    let bench = byKey.get(key)
    if (!bench) {
      const { subject, subjectId, name } = item
      bench = { key, subject, subjectId, name, groups: [], later: [], due: 0 }
      byKey.set(key, bench)
    }
    if (item.state === 'LATER') {
      bench.later.push(item)
      continue
    }
    bench.due += item.state === 'DUE' ? 1 : 0
    const group = bench.groups.find((each) => each.state === item.machineState)
    if (group) {
      group.items.push(item)
    } else {
      bench.groups.push({ state: item.machineState, items: [item] })
    }
  }
  return [...byKey.values()].sort(
    (a, b) => b.due - a.due || b.groups.length - a.groups.length || a.name.localeCompare(b.name),
  )
}

/** The first line of the page. */
export function headline(items: readonly Item[]): string {
  const due = items.filter((item) => item.state === 'DUE').length
  if (due > 0) {
    return due === 1 ? 'One task is due' : `${due} tasks are due`
  }
  const soon = items.filter((item) => item.state === 'SOON').length
  return soon > 0
    ? `Nothing is due, ${soon === 1 ? 'one task is' : `${soon} tasks are`} soon`
    : 'Nothing is due'
}

/** Days from now in words; what is not yet there is not called now. */
export function inDays(timeS: number, nowS: number, atOnce = 'now'): string {
  const days = Math.round((timeS - nowS) / 86_400)
  if (days <= 0) {
    return atOnce
  }
  return days === 1
    ? 'in a day'
    : days < 60
      ? `in ${days} days`
      : `in ${Math.round(days / 30.4)} months`
}

/** Days since in words. */
export function daysAgo(timeS: number, nowS: number): string {
  const days = Math.floor((nowS - timeS) / 86_400)
  return days < 1 ? 'today' : days === 1 ? 'a day ago' : `${days} days ago`
}
