import type { VfdPage, VfdRead } from '@motor-round/contract'
import { faultFamily, faultWords, liveValues } from '@motor-round/core/vfd'
import { Button } from 'antd'
import { Link } from 'react-router'
import { dayTime } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { Facts } from '../../parts/facts/index.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import type { Expected } from './expected.ts'
import { shownFigure, stateWords } from './words.ts'

/** What the drive shows now: its state, its figures, and a fault with what to look at first. */
export function LivePanel({
  page,
  read,
  reading,
  failure,
  ask,
  metric,
  trace,
  expected,
}: {
  page: VfdPage
  read: VfdRead | null
  reading: boolean
  failure: Failure | undefined
  /** Null: who looks at it may not read it. */
  ask: (() => void) | null
  metric: boolean
  /** Where the fault is looked for. */
  trace: string
  /** What its amps should be at these hertz. */
  expected: (hz: number) => Expected | null
}) {
  const told = read?.reading
  const family = faultFamily(told?.fault?.family ?? undefined)
  const { hz, amps } = told?.values ?? { hz: null, amps: null }
  const should = told?.status.running === true && typeof hz === 'number' ? expected(hz) : null
  const off = should && typeof amps === 'number' && (amps < should.low || amps > should.high)
  return (
    <section className="sheet stack" aria-label="The drive now">
      <header>
        <h2>The drive now</h2>
        <span className="quiet">
          {page.profile ? `${page.profile.maker} ${page.profile.model}` : ''}
          {page.link ? ` · ${page.link.host}, port ${page.link.port}` : ''}
        </span>
      </header>
      {page.link === null ? (
        <p>
          No connection is entered. A lead enters the address of the drive below; until then read its display and enter
          the settings by hand.
        </p>
      ) : null}
      <FailureNote failure={failure} kept="Read the display." />
      {told ? (
        <>
          <p className="strong vfd-state">
            <LevelMark
              level={
                told.status.fault || told.fault
                  ? 'fix'
                  : told.status.warning
                    ? 'watch'
                    : told.status.running === null
                      ? 'not judged'
                      : 'ok'
              }
            />{' '}
            {stateWords(told)}
            {told.values.hz === null || told.status.running !== true
              ? ''
              : ` at ${shownFigure('hz', told.values.hz, metric)}`}
          </p>
          {told.fault ? (
            <div className="note tone-fix">
              <p>
                <b>{faultWords(told.fault)}.</b>
              </p>
              {family ? <p>{family.first} Reset once only.</p> : null}
              <p>
                <Link to={trace}>Find the fault</Link>
              </p>
            </div>
          ) : null}
          {told.doubts.map((d) => (
            <p key={d} className="note tone-watch">
              {d}
            </p>
          ))}
          <Facts
            rows={liveValues
              .filter((v) => page.profile?.values[v.id] !== undefined)
              .map((v) => [v.title, shownFigure(v.id, told.values[v.id] ?? null, metric)])}
          />
          {should ? (
            <p className={off ? 'note tone-watch' : 'quiet'}>
              {off ? <b>Amps are not as they were. </b> : null}
              {`Expect ${should.low.toFixed(1)} to ${should.high.toFixed(1)} A at ${(hz ?? 0).toFixed(1)} Hz, going by ${should.from.amps.toFixed(1)} A at ${should.from.hz.toFixed(1)} Hz on ${dayTime(should.from.at)}.`}
              {off ? ' Look for filters, dampers, a belt or a bearing before the drive is blamed.' : ''}
            </p>
          ) : null}
          <p className="quiet">
            Output amps are those of the motor. Amps read ahead of the drive are lower and another figure. A clamp on
            the output has to be true-RMS and made for drives.
          </p>
        </>
      ) : null}
      {ask && page.link ? (
        <div className="row">
          <Button type="primary" size="large" loading={reading} onClick={ask}>
            {read ? 'Read again' : 'Read the drive'}
          </Button>
        </div>
      ) : null}
    </section>
  )
}

/** The last faults as the drive remembers them. */
export function FaultLog({ read }: { read: VfdRead | null }) {
  if (!read || read.reading.log.length === 0) return null
  const { hours } = read.reading.values
  return (
    <section className="sheet" aria-label="Fault log">
      <header>
        <h2>Fault log</h2>
        <span className="quiet">newest first</span>
      </header>
      <Facts
        rows={read.reading.log.map((f) => [
          `At ${f.hours.toLocaleString('en')} h`,
          `${faultWords(f)}${hours !== null && hours !== undefined && hours >= f.hours ? ` · ${Math.round(hours - f.hours).toLocaleString('en')} run hours ago` : ''}`,
        ])}
      />
    </section>
  )
}
