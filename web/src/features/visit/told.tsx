import { loadShare, type Judgement, type Verdict } from '@motor-round/core/judge'
import { show } from '@motor-round/core/quantity'
import { LevelMark } from '../../parts/level-mark/index.ts'

/** What the readings mean so far: one verdict in one sentence with its source. `about` limits it to a check's own. */
export function Told({
  judgement,
  about,
  hint,
}: {
  judgement: Judgement | null
  about: readonly string[] | null
  hint: string
}) {
  const own = judgement?.verdicts.filter((v) => about === null || about.includes(v.check)) ?? []
  const worst: Verdict | undefined = own[0]
  if (!judgement || !worst) return hint === '' ? null : <p className="note visit-told quiet">{hint}</p>
  const share = loadShare(judgement.rail)
  const whole = about === null
  return (
    <div className={`note tone-${worst.level} visit-told`} role="status">
      <LevelMark level={worst.level} filled />
      <p>
        {whole && judgement.level === 'ok' ? judgement.headline : worst.because}
        {whole && judgement.level !== 'ok' && share !== null && worst.check !== 'over-amp'
          ? ` Load ${show.percent(share)} of nameplate.`
          : ''}
      </p>
      {worst.level === 'ok' ? null : <p className="strong">{worst.next}</p>}
      <p className="quiet">
        {worst.basis.map((b) => b.text).join(' · ')}
        {worst.confidence === 'low' ? ' · low confidence' : ''}
      </p>
    </div>
  )
}
