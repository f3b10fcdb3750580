import type { RouteRecordRaw } from 'vue-router'

/** A key that does something on a page. */
export interface PageKey {
  key: string
  what: string
}

/** What the rest of the program knows of a station. */
export interface Station {
  /** As in the navigation. */
  name: string
  /** Its first page. */
  path: string
  /** Pressed after g, it goes there. */
  key: string
  /** One line: what one does here. */
  help: string
  /** On the phone: in the bar at the bottom, or behind "More". */
  onPhone: 'bar' | 'more'
  /** Set apart at the foot of the navigation: not a step of the work. */
  aside?: boolean
  /** Other pages of it that are worth an entry of their own. */
  pages?: { name: string; path: string; key?: string; help: string }[]
  /** Keys that its pages know. */
  keys?: PageKey[]
  routes: RouteRecordRaw[]
}
