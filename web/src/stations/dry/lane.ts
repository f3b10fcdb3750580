/** Width of a lane's drawing; it is stretched to the room that it gets. */
export const LANE_WIDTH = 600

/** Where a time lies along a lane from start to end; what lies outside stops at its ends. */
export function laneX(timeS: number, startedS: number, endS: number): number {
  const share = (timeS - startedS) / Math.max(1, endS - startedS)
  return LANE_WIDTH * Math.min(1, Math.max(0, share))
}
