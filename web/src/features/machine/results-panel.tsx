import type { MachinePage } from '@motor-round/contract'
import type { Judgement } from '@motor-round/core/judge'
import { lengthUnitOf } from '../../app/lengths.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { ClosedConditions, Conditions } from '../conditions/index.ts'
import { SpeedChangeLine, type wayBack } from './speed-change-line.tsx'

/** Where it lies among others of its kind, in the judge's sentence. */
function PeersLine({ judgement }: { judgement: Judgement }) {
  const told = judgement.verdicts.find((v) => v.check === 'peers')
  return told ? (
    <p className="trail">
      {told.because} {told.next === 'Nothing to do.' ? '' : told.next}
    </p>
  ) : null
}

/** What a machine comes to: its level, what is open, what the result rests on, and the way back by a change of speed. */
export function ResultsPanel({
  page,
  judgement,
  way,
  now,
  mayAct,
}: {
  page: MachinePage
  judgement: Judgement
  way: ReturnType<typeof wayBack>
  now: number
  mayAct: boolean
}) {
  const { id } = page.machine
  return (
    <section className={`sheet machine-says says-${judgement.level.replace(' ', '-')}`} aria-label="Results">
      <header>
        <h2>Results</h2>
        <LevelMark level={judgement.level} filled />
      </header>
      {judgement.conditions.length === 0 ? (
        <p>{judgement.headline}</p>
      ) : (
        <Conditions list={judgement.conditions} machineId={id} now={now} mayAct={mayAct} />
      )}
      <p className="quiet">{judgement.completeness.summary}</p>
      <ClosedConditions page={page} now={now} mayAct={mayAct} />
      <PeersLine judgement={judgement} />
      {way ? <SpeedChangeLine way={way} machineId={id} unit={lengthUnitOf(page.site)} /> : null}
    </section>
  )
}
