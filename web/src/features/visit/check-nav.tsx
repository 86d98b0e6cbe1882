import type { Judgement, CheckDefinition } from '@motor-round/core/judge'
import { LevelMark, levelWords } from '../../parts/level-mark/index.ts'
import { stateStep } from './walk.ts'

/** The checks of this phase as a row; each shows its level once something is reported of it. */
export function CheckNav({
  checks,
  withState,
  here,
  judgement,
  go,
}: {
  checks: readonly CheckDefinition[]
  withState: boolean
  here: string
  judgement: Judgement | null
  go: (check: string) => void
}) {
  const entries = [...(withState ? [{ id: stateStep, title: 'State', judges: [] }] : []), ...checks]
  if (entries.length < 2) return null
  return (
    <nav className="check-nav" aria-label="Checks">
      {entries.map((c) => {
        const ids = c.judges.map((j) => j.id)
        const told = judgement?.verdicts.find((v) => ids.includes(v.check))
        return (
          <button
            key={c.id}
            type="button"
            className="tab"
            aria-current={here === c.id ? 'step' : undefined}
            ref={(el) => {
              if (el && here === c.id) el.scrollIntoView({ block: 'nearest', inline: 'nearest' })
            }}
            onClick={() => go(c.id)}
          >
            {told ? (
              <>
                <LevelMark level={told.level} word={c.title} />
                <span className="visually-hidden">, {levelWords[told.level]}</span>
              </>
            ) : (
              c.title
            )}
          </button>
        )
      })}
    </nav>
  )
}
