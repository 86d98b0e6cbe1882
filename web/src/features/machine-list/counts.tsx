import { type MachineListPage } from '@motor-round/contract'
import { LevelMark, levelWords } from '../../parts/level-mark/index.ts'
import { type ListLevel } from './use-filter.ts'

export const tellOrder: readonly ListLevel[] = ['stop', 'fix', 'watch', 'ok', 'not judged']

export function Counts({
  counts,
  chosen,
  toggle,
}: {
  counts: MachineListPage['counts']
  chosen: readonly ListLevel[]
  toggle: (l: ListLevel) => void
}) {
  const words: Record<ListLevel, string> = {
    stop: 'to stop',
    fix: 'to fix',
    watch: 'to watch',
    ok: 'OK',
    'not judged': 'not judged',
  }
  return (
    <div className="list-counts" role="group" aria-label="Filter by level">
      {tellOrder
        .filter((l) => counts[l] > 0 || l === 'ok')
        .map((l) => (
          <button
            key={l}
            type="button"
            className="tab"
            title={chosen.includes(l) ? 'Show all levels' : `Show only ${levelWords[l]}`}
            aria-pressed={chosen.includes(l)}
            onClick={() => toggle(l)}
          >
            <LevelMark level={l} word={`${counts[l]} ${words[l]}`} />
          </button>
        ))}
    </div>
  )
}
