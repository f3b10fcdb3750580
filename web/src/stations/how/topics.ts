/** Texts of `docs/models`, by name; each is loaded when it is read. */
const TEXTS = import.meta.glob<string>('../../../../docs/models/*.md', {
  query: '?raw',
  import: 'default',
})

/** In the order in which one builds on the other. */
export const TOPICS = [
  { id: 'air', name: 'Air and hygrometers' },
  { id: 'moisture', name: 'Water in a spool' },
  { id: 'learning', name: 'What weighings teach' },
  { id: 'storage', name: 'Air in boxes and bags' },
  { id: 'drying', name: 'Drying' },
  { id: 'plan', name: 'The plan' },
  { id: 'printing', name: 'Holding a print' },
  { id: 'trouble', name: 'Finding a cause' },
  { id: 'upkeep', name: 'Upkeep' },
  { id: 'calibration', name: 'Worksheets' },
  { id: 'checks', name: 'What it is held against' },
] as const

/** The text of a topic, as Markdown; none where there is no such topic. */
export async function topicText(id: string): Promise<string | null> {
  const load = TEXTS[`../../../../docs/models/${id}.md`]
  return load ? load() : null
}
