import type { RoundNews, RoundPage } from '@motor-round/contract'
import { byUrgency } from '@motor-round/core/finding'
import { roundCount } from '@motor-round/core/round'

const replaced = <T extends { readonly id: string }>(list: readonly T[], one: T): T[] => [
  ...list.filter((x) => x.id !== one.id),
  one,
]

const inTime = (a: RoundPage['events'][number], b: RoundPage['events'][number]) =>
  Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1)

/** A round after something happened on it; null: it takes more than was told, the page has to be asked for. */
export function withNews(page: RoundPage, news: RoundNews): RoundPage | null {
  switch (news.say) {
    case 'here':
    case 'page':
      return null
    case 'event': {
      const { machineId } = news.event
      if (machineId !== null && !page.visits.some((v) => v.machineId === machineId)) return null
      const events = replaced(page.events, news.event).sort(inTime)
      const machineIds = page.visits.map((v) => v.machineId)
      return { ...page, events, head: { ...page.head, ...roundCount(machineIds, events) } }
    }
    case 'machine':
      return {
        ...page,
        visits: page.visits.map((v) => (v.machineId === news.machine.machineId ? { ...v, ...news.machine } : v)),
      }
    case 'finding': {
      const { finding } = news
      const shown = finding.state !== 'closed' || finding.roundId === page.head.id
      const others = page.findings.filter((f) => f.id !== finding.id)
      return { ...page, findings: byUrgency(shown ? [...others, finding] : others) }
    }
  }
}
