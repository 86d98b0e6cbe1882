import type { VfdRead } from '@motor-round/contract'
import { show } from '@motor-round/core/quantity'
import { faultWords } from '@motor-round/core/vfd'
import { Button } from 'antd'
import { useEffect, useState } from 'react'
import { vfdApi } from '../../app/vfd-api.ts'
import type { Failure } from '../../app/failure.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { keyOf } from './cells.ts'
import type { Draft } from './use-draft.ts'

/** What a drive that was read puts into a visit. */
export type Filled = Pick<Draft, 'typed' | 'taken' | 'answers'>

/** The cells and answers that a reading of the drive fills; what it did not show fills none. */
export function filledBy({ values, status, fault }: VfdRead['reading']): Filled {
  const cells: readonly (readonly [
    quantity: string,
    position: string,
    value: number | null | undefined,
    digits: number,
  ])[] = [
    ['hz', 'motor', values.hz, 2],
    ['drive_amps', 'output', values.amps, 2],
    ['drive_volts', 'output', values.volts, 0],
    ['bus_volts', 'bus', values.bus, 0],
  ]
  // A fan that stands gives no figures of a running one.
  const read = status.running === true ? cells : []
  const there = read.flatMap(([q, p, v, d]): (readonly [string, string])[] =>
    v === null || v === undefined ? [] : [[keyOf(q, p), show.trimmed(v, d)]],
  )
  const tripped = status.fault === true || fault !== null
  const display = tripped ? 'fault' : status.warning === true ? 'warning' : status.running === true ? 'run' : null
  return {
    typed: Object.fromEntries(there),
    taken: Object.fromEntries(there.map(([key]) => [key, { how: 'meter' as const }])),
    answers: {
      ...(display === null ? {} : { 'drive.display': display }),
      ...(fault ? { 'drive.code': fault.text ?? String(fault.code) } : {}),
      ...(fault?.family ? { 'drive.family': fault.family } : {}),
    },
  }
}

/** Read the drive of the machine, and fill what it shows into the visit. */
export function ReadDrive({ machineId, fill }: { machineId: string; fill: (f: Filled) => void }) {
  const page = vfdApi.useVfdQuery({ params: { id: machineId } }).data
  const [read, reading] = vfdApi.useReadVfdMutation()
  const [told, setTold] = useState<string | null>(null)
  if (!page?.link) return null
  const ask = () =>
    void read({ params: { id: machineId }, body: {} })
      .unwrap()
      .then(
        ({ reading: r }) => {
          fill(filledBy(r))
          const { hz, amps } = r.values
          setTold(
            [
              r.fault ? faultWords(r.fault) : r.status.running === false ? 'Stopped, no fault' : null,
              hz === null || hz === undefined ? null : `${show.trimmed(hz, 1)} Hz`,
              amps === null || amps === undefined ? null : `${show.trimmed(amps, 1)} A`,
              ...r.doubts,
            ]
              .filter(Boolean)
              .join(' · '),
          )
        },
        // What failed stands below; what was typed stays.
        () => setTold(null),
      )
  return (
    <div className="stack read-drive">
      <div className="row">
        <Button size="large" loading={reading.isLoading} onClick={ask}>
          Read the drive
        </Button>
        {told === null ? null : (
          <span role="status" className="strong">
            {told}
          </span>
        )}
      </div>
      <FailureNote failure={reading.error as Failure | undefined} kept="Read the display." />
    </div>
  )
}

const everyMs = 3000

/** The bus as the drive itself shows it, while it runs down. It is no proof: that is the meter at its terminals. */
export function BusRunsDown({ machineId, safe }: { machineId: string; safe: number }) {
  const page = vfdApi.useVfdQuery({ params: { id: machineId } }).data
  const [read] = vfdApi.useReadVfdMutation()
  const [bus, setBus] = useState<number | null | 'dark'>(null)
  const linked = page?.link !== null && page?.link !== undefined
  useEffect(() => {
    if (!linked) return undefined
    let timer: number | undefined
    let gone = false
    const again = () =>
      void read({ params: { id: machineId }, body: {} })
        .unwrap()
        .then(
          (r) => setBus(r.reading.values.bus ?? null),
          () => setBus('dark'),
        )
        .then(() => {
          if (!gone) timer = window.setTimeout(again, everyMs)
        })
    again()
    return () => {
      gone = true
      window.clearTimeout(timer)
    }
  }, [linked, machineId, read])
  if (!linked || bus === null) return null
  return (
    <p className={`note ${bus !== 'dark' && bus > safe ? 'tone-fix' : 'tone-watch'}`} role="status">
      {bus === 'dark'
        ? 'The drive no longer answers. Its bus may still be charged: measure it at the bus terminals.'
        : bus > safe
          ? `Bus ${Math.round(bus)} V by the drive: wait until it is under ${safe} V.`
          : `Bus ${Math.round(bus)} V by the drive. The proof is your meter at the bus terminals.`}
    </p>
  )
}
