import { simulatedMeterPath, type MeterLine } from '@motor-round/contract'
import type { UnitPattern } from '@motor-round/core/machine'
import {
  clampDemand,
  ohmsDemand,
  peak,
  steadiness,
  type Demand,
  type Sample,
  type Steadiness,
} from '@motor-round/core/meter'
import { findQuantity, type ReadingHow } from '@motor-round/core/quantity'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Cell } from '../cells.ts'
import type { MeterLink } from './driver.ts'
import { webSocketDriver } from './web-socket.ts'

/** How long a settled value is held while the hand moves, in the meter's own time. */
const holdMs = 2500

/** Where the simulated meters of a machine listen. */
export const simulatedAddress = (machineId: string, pattern: UnitPattern): string =>
  `${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}${simulatedMeterPath}?machine=${machineId}&pattern=${pattern}`

/** How steady a quantity has to be: ohms through hand-held probes longer, volts no closer than a third of one. */
function demandOf(quantity: string, digits: number): Demand {
  const dimension = findQuantity(quantity)?.dimension
  const digit = 2 * 10 ** -digits
  if (dimension === 'resistance') return { ...ohmsDemand, digit }
  return { ...clampDemand, digit: dimension === 'voltage' ? Math.max(digit, 0.3) : digit }
}

/** The stream at the cell that has the cursor, and what it has come to. */
export interface MeterReading {
  /** Where the probe was: what comes late from another place is not shown. */
  readonly at: string
  readonly latest: Sample
  readonly digits: number
  readonly steady: Steadiness
  /** Greatest so far: the inrush. */
  readonly peak: number | null
}

/** What can be taken into a cell: the text, and how it came to be. */
export interface MeterValue {
  readonly text: string
  readonly how: ReadingHow
  readonly spread?: number
}

/** What a stream offers to a cell; null while there is nothing to take. */
export function valueOf(
  reading: MeterReading | null,
  cell: Pick<Cell, 'quantity'>,
  unsteady: boolean,
): MeterValue | null {
  if (!reading) return null
  const { steady, digits } = reading
  if (cell.quantity === 'inrush')
    return reading.peak === null || steady.kind === 'filling'
      ? null
      : { text: reading.peak.toFixed(digits), how: 'peak' }
  if (steady.kind === 'over range') return { text: 'OL', how: 'over-range' }
  if (steady.kind === 'settled') return { text: steady.value.toFixed(digits), how: 'meter', spread: steady.spread }
  if (!unsteady || steady.kind === 'filling') return null
  return {
    text: steady.value.toFixed(digits),
    how: 'unsteady',
    spread: steady.kind === 'wandering' ? steady.spread : Math.abs(steady.perSecond),
  }
}

export type Meter = ReturnType<typeof useMeter>

/** A meter at hand: connect it, and it is read wherever the cursor stands. */
export function useMeter(cell: Cell | undefined, onWord: (question: string, value: string) => void) {
  const [name, setName] = useState<string | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [reading, setReading] = useState<MeterReading | null>(null)
  const [on, setOn] = useState(false)
  const link = useRef<MeterLink | null>(null)
  const samples = useRef<Sample[]>([])
  const key = useRef('')
  const word = useRef(onWord)
  useEffect(() => {
    word.current = onWord
  })

  // A hand that presses Take moves the clamp: what had settled a moment ago still stands while the figure stays near it.
  const settled = useRef<{ steady: Steadiness & { kind: 'settled' }; at: number } | null>(null)
  const held = useCallback((now: Steadiness, sample: Sample): Steadiness => {
    if (now.kind === 'settled') {
      settled.current = { steady: now, at: sample.at }
      return now
    }
    const last = settled.current
    if (!last || now.kind === 'over range' || now.kind === 'filling' || sample.at - last.at > holdMs) return now
    return Math.abs(now.value - last.steady.value) <= 0.02 * Math.abs(last.steady.value) ? last.steady : now
  }, [])

  const line = useCallback(
    (l: MeterLine) => {
      if (l.say === 'hello') setName(l.meter)
      else if (l.say === 'problem') setProblem(l.message)
      else if (l.say === 'word') word.current(l.question, l.value)
      else if (`${l.quantity} ${l.position}` === key.current) {
        const sample: Sample = { at: l.at, value: l.value, over: l.over }
        samples.current = [...samples.current.slice(-299), sample]
        setReading({
          at: key.current,
          latest: sample,
          digits: l.digits,
          steady: held(steadiness(samples.current, demandOf(l.quantity, l.digits)), sample),
          peak: peak(samples.current),
        })
      }
    },
    [held],
  )

  const connect = useCallback(
    (address: string) => {
      link.current?.close()
      setProblem(null)
      setOn(true)
      link.current = webSocketDriver.open(address, {
        line,
        lost: (why) => {
          setProblem(why)
          setOn(false)
          setReading(null)
          link.current = null
        },
      })
      const [quantity, position] = key.current.split(' ')
      if (quantity && position) link.current.probe(quantity as Cell['quantity'], position)
    },
    [line],
  )
  const disconnect = useCallback(() => {
    link.current?.close()
    link.current = null
    setOn(false)
    setReading(null)
    setName(null)
  }, [])

  const quantity = cell?.quantity
  const position = cell?.position
  useEffect(() => {
    key.current = quantity && position ? `${quantity} ${position}` : ''
    samples.current = []
    settled.current = null
    if (quantity && position) link.current?.probe(quantity, position)
    else link.current?.off()
  }, [quantity, position])
  useEffect(() => () => link.current?.close(), [])

  const here = quantity && position ? `${quantity} ${position}` : ''
  return { on, name, problem, reading: reading?.at === here ? reading : null, connect, disconnect }
}
