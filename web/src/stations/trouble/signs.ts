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
const EMPTY = new Set(['the', 'and', 'is', 'it', 'a', 'an', 'of', 'on', 'in', 'my', 'with', 'at'])

function stems(text: string): string[] {
  return text
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter((word) => word.length > 1 && !EMPTY.has(word))
    .map((word) => word.replace(/(ing|ed|es|s|y)$/, ''))
}

/**
 * Signs that free words mean, the best first: by how many of the words begin like one of the sign's
 * own or of those that people use for it.
 */
export function found(signs: readonly KnownSign[], text: string): KnownSign[] {
  const asked = stems(text)
  if (!asked.length) {
    return []
  }
  const score = (sign: KnownSign) => {
    const own = stems(`${sign.name} ${sign.words}`)
    return asked.filter((word) =>
      own.some((mine) => mine.startsWith(word) || (mine.length > 2 && word.startsWith(mine))),
    ).length
  }
  return signs
    .map((sign) => ({ sign, score: score(sign) }))
    .filter((each) => each.score > 0)
    .sort((a, b) => b.score - a.score)
    .map((each) => each.sign)
}
