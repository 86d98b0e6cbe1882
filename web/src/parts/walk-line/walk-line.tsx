import type { Level } from '@motor-round/core/judge'
import { useEffect, useRef } from 'react'
import { levelWords } from '../level-mark/index.ts'
import './walk-line.css'

/** A stop of a round as a mark on the line. */
export interface WalkMark {
  readonly id: string
  readonly tag: string
  readonly state: 'open' | 'began' | 'done' | 'skipped'
  readonly level: Level | null
}

const stateWords = { open: 'to come', began: 'there now', done: 'done', skipped: 'skipped' } as const

/** The visits of a round as marks on a line, filled by level as they are done. */
export function WalkLine({
  marks,
  here,
  pick,
}: {
  marks: readonly WalkMark[]
  here: string | null
  pick: (id: string) => void
}) {
  const line = useRef<HTMLOListElement>(null)
  useEffect(() => {
    line.current?.querySelector('[aria-current]')?.scrollIntoView({ inline: 'center', block: 'nearest' })
  }, [here])
  return (
    <ol ref={line} className="walk-line" aria-label="Visits of this round">
      {marks.map((m, i) => (
        <li key={m.id}>
          <button
            type="button"
            className={`walk-mark walk-${m.state} tone-${(m.level ?? 'not judged').replace(' ', '-')}`}
            aria-current={m.id === here ? 'step' : undefined}
            aria-label={`${i + 1}, ${m.tag}, ${stateWords[m.state]}${m.state === 'done' ? `, ${levelWords[m.level ?? 'not judged']}` : ''}`}
            onClick={() => pick(m.id)}
          >
            <i aria-hidden="true">{m.state === 'skipped' ? '×' : ''}</i>
            <span aria-hidden="true">{m.id === here ? m.tag : i + 1}</span>
          </button>
        </li>
      ))}
    </ol>
  )
}
