import type { Verdict } from '@motor-round/core/judge'
import { LevelMark } from '../../parts/level-mark/index.ts'
import './verdicts.css'

const basisWords = (v: Verdict) =>
  v.basis.map((b) => (b.sure === 'from memory' ? `${b.text} (from memory)` : b.text)).join(' · ')

/** Verdicts with their reasons, worst first: sentence, next step, what it rests on. */
export function Verdicts({ verdicts }: { verdicts: readonly Verdict[] }) {
  return (
    <ul className="rows verdicts">
      {verdicts.map((v) => (
        <li key={`${v.check} ${v.positions.join(' ')} ${v.level}`} className={`verdict-${v.level}`}>
          <LevelMark level={v.level} filled />
          <div>
            <p>{v.because}</p>
            {v.level === 'ok' ? null : <p className="strong">{v.next}</p>}
            <p className="quiet">
              {v.about} · {basisWords(v)}
              {v.confidence === 'low' ? ' · low confidence' : ''}
            </p>
          </div>
        </li>
      ))}
    </ul>
  )
}
