import type { Machine } from '@motor-round/contract'
import { usualOxygen, usualStack } from '@motor-round/core/air'
import { gradeBurn, type BurnTest } from '@motor-round/core/job'
import { Button, Form } from 'antd'
import { useState } from 'react'
import { Choice } from '../../parts/fields/index.ts'
import { NumberField } from './option-fields.tsx'
import { UnitField } from './unit-field.tsx'
import type { Say } from './use-job.ts'

const tones = { good: 'ok', investigate: 'fix', stop: 'stop' } as const

/** What a combustion test came to. */
export function BurnNote({ test, scale }: { test: BurnTest; scale: 'F' | 'C' }) {
  const { grade, airFree, words } = gradeBurn(test, scale)
  return (
    <p className={`note tone-${tones[grade]}`} role="status">
      {words.join(' ')}
      {airFree === null ? '' : ` CO air-free: ${airFree.toFixed(0)} ppm.`}
    </p>
  )
}

type Figure = Exclude<keyof BurnTest, 'fuel' | 'leakFree' | 'steady'>

/** The ranges of the appliance; until they are entered, the usual ones. */
const rangesOf = (burner: Machine['controls']['burner']): Partial<Record<Figure, number>> => ({
  oxygenLow: burner?.oxygenLow ?? usualOxygen.low,
  oxygenHigh: burner?.oxygenHigh ?? usualOxygen.high,
  stackLow: burner?.stackLow ?? usualStack.low,
  stackHigh: burner?.stackHigh ?? usualStack.high,
})

const temperatures = [
  ['stack', 'Stack (if read)', '°F', 2000],
  ['stackLow', 'Appliance: stack from', '°F', 2000],
  ['stackHigh', 'Appliance: stack to', '°F', 2000],
  ['rise', 'Temperature rise', 'Δ°F', 400],
  ['riseLow', 'Nameplate rise from', 'Δ°F', 400],
  ['riseHigh', 'Nameplate rise to', 'Δ°F', 400],
] as const

/** A combustion test after the deck is back: the appliance's own limits, and none of it by word. */
export function BurnForm({
  step,
  burner,
  scale,
  say,
}: {
  step: string
  burner: Machine['controls']['burner']
  scale: 'F' | 'C'
  say: Say
}) {
  const [fuel, setFuel] = useState<BurnTest['fuel'] | null>(null)
  const [leakFree, setLeakFree] = useState<boolean | null>(null)
  const [steady, setSteady] = useState<boolean | null>(null)
  const [figures, setFigures] = useState<Partial<Record<Figure, number | null>>>(() => rangesOf(burner))
  const { co, oxygen, rise, riseLow, riseHigh, stack, ...ranges } = figures
  const known = (v: number | null | undefined): v is number => v !== null && v !== undefined
  const reversed = [
    [ranges.oxygenLow, ranges.oxygenHigh],
    [ranges.stackLow, ranges.stackHigh],
    [riseLow, riseHigh],
  ].some(([low, high]) => known(low) && known(high) && low > high)
  const test: BurnTest | null =
    fuel !== null &&
    leakFree !== null &&
    steady !== null &&
    !reversed &&
    known(co) &&
    known(oxygen) &&
    known(rise) &&
    known(riseLow) &&
    known(riseHigh)
      ? {
          fuel,
          co,
          oxygen,
          rise,
          riseLow,
          riseHigh,
          leakFree,
          steady,
          stack: stack ?? undefined,
          ...Object.fromEntries(Object.entries(ranges).filter(([, v]) => known(v))),
        }
      : null
  const put = (key: keyof typeof figures) => (v: number | null) => setFigures({ ...figures, [key]: v })
  return (
    <Form
      className="stack"
      aria-label="Combustion test"
      onFinish={() => {
        if (test) void say({ kind: 'burn', step, test })
      }}
    >
      <Choice
        label="Fuel"
        value={fuel}
        options={[
          { value: 'natural gas', label: 'Natural gas' },
          { value: 'propane', label: 'Propane' },
        ]}
        onChange={setFuel}
      />
      <Choice
        label="Leak test"
        value={leakFree}
        options={[
          { value: true, label: 'No leak' },
          { value: false, label: 'Leaks' },
        ]}
        onChange={setLeakFree}
      />
      <Choice
        label="After five minutes"
        value={steady}
        options={[
          { value: true, label: 'Steady' },
          { value: false, label: 'Still changing' },
        ]}
        onChange={setSteady}
      />
      <div className="job-numbers">
        <NumberField label="CO as read, ppm" value={co ?? null} max={20_000} onChange={put('co')} />
        <NumberField label="Oxygen, %" value={oxygen ?? null} max={20.9} onChange={put('oxygen')} />
        <NumberField
          label="Appliance: oxygen from, %"
          value={ranges.oxygenLow ?? null}
          max={20.9}
          onChange={put('oxygenLow')}
        />
        <NumberField
          label="Appliance: oxygen to, %"
          value={ranges.oxygenHigh ?? null}
          max={20.9}
          onChange={put('oxygenHigh')}
        />
        {temperatures.map(([key, title, unit, max]) => (
          <UnitField
            key={key}
            title={title}
            unit={unit}
            metric={scale === 'C'}
            value={figures[key] ?? null}
            max={max}
            onChange={put(key)}
          />
        ))}
      </div>
      {reversed ? <p role="alert">Enter each range from its lower end to its upper end.</p> : null}
      {test ? <BurnNote test={test} scale={scale} /> : null}
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" disabled={test === null}>
          {test ? 'Save the test' : 'Enter the whole test'}
        </Button>
      </div>
    </Form>
  )
}
