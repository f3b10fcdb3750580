import type { Schemas } from '@/api/client'

type Filament = Schemas['FilamentSupplyView']

/** A line of what is to be ordered. */
export interface Order {
  what: string
  amount: number
  unit: string
  why: string
  price: number | null
  currency: string | null
}

/** What lasts shorter than this is to be ordered: it takes that long to come; judgement. */
const ORDER_AHEAD_DAYS = 14
/** Filament comes on spools of this. */
const SPOOL_G = 1000

/** How long a filament lasts, in words. */
export function lasts(each: Filament): string {
  if (each.promisedG > each.stockG) {
    return 'jobs take more than there is'
  }
  if (each.days == null || each.lowDays == null) {
    return 'not used lately'
  }
  const low = Math.floor(each.lowDays)
  return each.highDays == null
    ? `${low} days at least`
    : `${low} to ${Math.ceil(each.highDays)} days`
}

/** What is to be ordered, with the reason. */
export function reorder(
  supplies: Schemas['SuppliesView'],
  groups: readonly Schemas['StockGroup'][],
): Order[] {
  const orders: Order[] = []
  for (const each of supplies.filaments) {
    const group = groups.find(
      (one) =>
        one.material === each.material &&
        one.colourName.toLowerCase() === each.colourName.toLowerCase(),
    )
    const missing = Math.max(each.promisedG - each.stockG, group?.toOrderG ?? 0)
    const runsOut = each.lowDays != null && each.lowDays < ORDER_AHEAD_DAYS
    if (missing <= 0 && !runsOut) {
      continue
    }
    const spools = Math.max(1, Math.ceil(missing / SPOOL_G))
    orders.push({
      what: `${each.material} ${each.colourName}`,
      amount: spools,
      unit: spools === 1 ? 'spool' : 'spools',
      why:
        each.promisedG > each.stockG
          ? 'jobs take more than there is'
          : (group?.toOrderG ?? 0) > 0
            ? 'below its minimum'
            : `may be used up in ${Math.floor(each.lowDays ?? 0)} days`,
      price: each.pricePerKg == null ? null : (each.pricePerKg * spools * SPOOL_G) / 1000,
      currency: each.currency,
    })
  }
  for (const each of supplies.others) {
    const inDays = each.usedUpS == null ? Infinity : (each.usedUpS - supplies.nowS) / 86_400
    if (!each.low && inDays >= ORDER_AHEAD_DAYS) {
      continue
    }
    const amount = Math.max(each.least ?? 0, each.perMonth ?? 0, 1)
    orders.push({
      what: each.name,
      amount: Math.ceil(amount),
      unit: each.unit,
      why: each.low
        ? 'below what should be there'
        : `used up in ${Math.max(0, Math.floor(inDays))} days`,
      price: each.price == null ? null : each.price * Math.ceil(amount),
      currency: each.currency,
    })
  }
  return orders
}
