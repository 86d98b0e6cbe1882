import { calculators } from '@motor-round/core/calc'
import { limitRegister } from '@motor-round/core/limits'

/** Something the palette leads to: where, and what it is found by. */
export interface Command {
  readonly group: 'Screens' | 'Actions' | 'Calculators' | 'Limits'
  readonly title: string
  readonly to: string
  /** For whom; left out: for everybody. */
  readonly role?: 'mechanic' | 'lead'
}

const screens: readonly Command[] = [
  { group: 'Screens', title: 'Machines', to: '/machines' },
  { group: 'Screens', title: 'Rounds', to: '/rounds' },
  { group: 'Screens', title: 'Jobs', to: '/jobs' },
  { group: 'Screens', title: 'Calculators', to: '/calculators' },
  { group: 'Screens', title: 'Speed change', to: '/speed-change' },
  { group: 'Screens', title: 'Import & export', to: '/import-export' },
  { group: 'Screens', title: 'Live data: files, columns, drives', to: '/live' },
  { group: 'Screens', title: 'Sites, areas and units', to: '/places' },
  { group: 'Screens', title: 'Limits and policies', to: '/limits' },
  { group: 'Screens', title: 'Account: password, where you are signed in', to: '/account' },
  { group: 'Screens', title: 'This phone: waiting to sync, downloads', to: '/phone' },
  { group: 'Screens', title: 'Keys', to: '/keys' },
]
const actions: readonly Command[] = [
  { group: 'Actions', title: 'Add a machine', to: '/machines/new', role: 'mechanic' },
  { group: 'Actions', title: 'Plan a round', to: '/rounds/new', role: 'lead' },
  { group: 'Actions', title: 'Print a tag sheet', to: '/tags' },
  { group: 'Actions', title: 'Show machines to stop and to fix', to: '/machines?level=stop,fix' },
  { group: 'Actions', title: 'Set up: site, users, machines', to: '/start', role: 'lead' },
  { group: 'Actions', title: 'Take the tour', to: '/machines?tour=1' },
]

/** All that the palette knows apart from machines. */
export const commands: readonly Command[] = [
  ...screens,
  ...actions,
  ...calculators.map((c): Command => ({ group: 'Calculators', title: c.title, to: `/calculators/${c.id}` })),
  ...Object.values(limitRegister).map((l): Command => ({
    group: 'Limits',
    title: l.title,
    to: `/limits#${l.id}`,
  })),
]

/** Commands that hold every word that is typed, at the start of one of theirs first. */
export function matching(list: readonly Command[], typed: string, most = 6): Command[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  if (words.length === 0) return []
  const rank = (title: string): number | null => {
    const parts = title.toLowerCase().split(/[^a-z0-9°]+/)
    if (!words.every((w) => title.toLowerCase().includes(w))) return null
    return words.every((w) => parts.some((p) => p.startsWith(w))) ? 0 : 1
  }
  return list
    .flatMap((c) => {
      const r = rank(c.title)
      return r === null ? [] : [{ c, r }]
    })
    .sort((a, b) => a.r - b.r)
    .slice(0, most)
    .map(({ c }) => c)
}
