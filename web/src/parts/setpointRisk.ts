import type { Schemas } from '@/api/client'

/** So far above the safe setpoint, °C, is not worth a word; as in the server's own advice. */
const NEARLY_C = 0.5

/** The first of some ceilings whose safe setpoint is passed at a risk; undefined for none. */
export function atRisk<T extends { ceiling: Schemas['Ceiling'] }>(
  of: readonly T[],
  setpointC: number,
): T | undefined {
  return of.find(({ ceiling }) => ceiling.risk !== null && setpointC > ceiling.cautiousC + NEARLY_C)
}
