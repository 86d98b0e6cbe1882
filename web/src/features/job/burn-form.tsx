import type { Machine } from '@motor-round/contract'
import { usualOxygen, usualStack } from '@motor-round/core/air'
import { gradeBurn, type BurnTest } from '@motor-round/core/job'
import { Button, Form } from 'antd'
import { useState } from 'react'
import { Choice } from '../../parts/fields/index.ts'
import { NumberField } from './option-fields.tsx'
import type { Say } from './use-job.ts'

const tones = { good: 'ok', investigate: 'fix', stop: 'stop' } as const

/** What a combustion test came to. */
export function BurnNote({ test }: { test: BurnTest }) {
  const { grade, airFree, words } = gradeBurn(test)
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

/** A combustion test after the deck is back: the appliance's own limits, and none of it by word. */
export function BurnForm({ step, burner, say }: { step: string; burner: Machine['controls']['burner']; say: Say }) {
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
        <NumberField label="Stack, °F (if read)" value={stack ?? null} max={2000} onChange={put('stack')} />
        <NumberField
          label="Appliance: stack from, °F"
          value={ranges.stackLow ?? null}
          max={2000}
          onChange={put('stackLow')}
        />
        <NumberField
          label="Appliance: stack to, °F"
          value={ranges.stackHigh ?? null}
          max={2000}
          onChange={put('stackHigh')}
        />
        <NumberField label="Temperature rise, °F" value={rise ?? null} max={400} onChange={put('rise')} />
        <NumberField label="Nameplate rise from, °F" value={riseLow ?? null} max={400} onChange={put('riseLow')} />
        <NumberField label="Nameplate rise to, °F" value={riseHigh ?? null} max={400} onChange={put('riseHigh')} />
      </div>
      {reversed ? <p role="alert">Enter each range from its lower end to its upper end.</p> : null}
      {test ? <BurnNote test={test} /> : null}
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" disabled={test === null}>
          {test ? 'Save the test' : 'Enter the whole test'}
        </Button>
      </div>
    </Form>
  )
}
