import type { Schemas } from '@/api/client'

export type KnownSign = Schemas['SignKnowledgeView']

/** Signs under when and where they are noticed, in the order in which a print goes. */
export function grouped(signs: readonly KnownSign[]): { seen: string; signs: KnownSign[] }[] {
  const groups: { seen: string; signs: KnownSign[] }[] = []
  for (const sign of signs) {
    const group = groups.find((each) => each.seen === sign.seenTitle)
    if (group) {
      group.signs.push(sign)
    } else {
      groups.push({ seen: sign.seenTitle, signs: [sign] })
    }
  }
  return groups
}

/** Words too common to find anything by. */
const EMPTY = new Set([
  'the',
  'and',
  'is',
  'it',
  'a',
  'an',
  'of',
  'on',
  'in',
  'my',
  'with',
  'at',
  'between',
  'while',
  'then',
  'or',
  'to',
  'for',
])

function stems(text: string): string[] {
  return text
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter((word) => word.length > 1 && !EMPTY.has(word))
    .map((word) => word.replace(/(ing|ed|es|s|y)$/, ''))
}

/** How well a word is one of a sign's: the very word, its beginning, or not at all. */
function closeness(word: string, own: readonly string[]): number {
  if (own.includes(word)) {
    return 2
  }
  return own.some((mine) => mine.startsWith(word) || (mine.length > 2 && word.startsWith(mine)))
    ? 1
    : 0
}

/**
 * Signs that free words mean, the best first. A word that few signs have tells more than one that
 * many have, and the very word more than its beginning.
 */
export function found(signs: readonly KnownSign[], text: string): KnownSign[] {
  const own = signs.map((sign) => stems(`${sign.name} ${sign.words}`))
  const scores = signs.map(() => 0)
  for (const word of stems(text)) {
    const close = own.map((words) => closeness(word, words))
    const having = close.filter((each) => each > 0).length
    close.forEach((each, i) => {
      scores[i] = (scores[i] ?? 0) + (having ? each / having : 0)
    })
  }
  return signs
    .map((sign, i) => ({ sign, score: scores[i] ?? 0 }))
    .filter((each) => each.score > 0)
    .sort((a, b) => b.score - a.score)
    .map((each) => each.sign)
}
