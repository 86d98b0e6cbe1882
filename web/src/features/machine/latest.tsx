import type { Judgement } from '@motor-round/core/judge'
import { linePositions, neutralPositions, show } from '@motor-round/core/quantity'
import { valuesAt, type Visit } from '@motor-round/core/trend'
import { shortDay } from '../../app/dates.ts'
import { LoadRail } from '../../parts/load-rail/index.ts'

/** The visit that speaks for a machine: its load bar, amps and volts. */
export function Latest({ visit, judgement, now }: { visit: Visit; judgement: Judgement; now: number }) {
  const volts = [
    ...valuesAt(visit.readings, 'volts_ll', linePositions),
    ...valuesAt(visit.readings, 'volts_ln', neutralPositions),
  ].filter((v) => v !== undefined)
  return (
    <div className="machine-latest">
      <div className="machine-rail">
        <LoadRail rail={judgement.rail} full />
      </div>
      <div>
        <b className="machine-amps">
          {judgement.rail.legs.length > 0
            ? `${show.ampsRow(judgement.rail.legs.map((l) => l.amps)).join('  ')} A`
            : 'no amps'}
        </b>
        <p className="quiet">
          {volts.length > 0 ? `${volts.map(show.volts).join(' ')} V` : 'no volts'} ·{' '}
          {shortDay(new Date(visit.at).toISOString(), now)}
          {visit.state.settled ? ', settled' : visit.state.settled === false ? ', not settled' : ''}
        </p>
      </div>
    </div>
  )
}
