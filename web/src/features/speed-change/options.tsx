import { Button } from 'antd'
import type { Option } from '@motor-round/core/speed-change'
import { show } from '@motor-round/core/quantity'
import { useState } from 'react'
import type { LengthUnit } from '../../app/lengths.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { changeWords } from './words.ts'

/** So many are seen at once; the best stands first. */
const few = 6

/** Every way to go, nearest to the goal first; what speaks against one stands under it. */
export function Options({
  options,
  chosen,
  choose,
  turns,
  unit,
}: {
  options: readonly Option[]
  chosen: number
  choose: (i: number) => void
  turns: number | null
  unit: LengthUnit
}) {
  const [all, setAll] = useState(false)
  const shown = all ? options : options.slice(0, Math.max(few, chosen + 1))
  return (
    <>
      <ol className="speed-options" aria-label="Options">
        {shown.map((o, i) => {
          const p = o.prediction
          const bad = o.no.length > 0
          return (
            <li key={JSON.stringify(o.change)}>
              <button type="button" aria-pressed={i === chosen} onClick={() => choose(i)}>
                <LevelMark
                  level={bad ? 'fix' : o.mind.length > 0 ? 'watch' : 'ok'}
                  word={bad ? 'Not allowed' : o.mind.length > 0 ? 'Caution' : 'OK'}
                />
                <b>{changeWords(o.change, turns, unit)}</b>
                <span className="speed-figures">
                  {show.amps(p.amps)} A · {Math.round(p.fanRpm)} rpm · {show.signed((p.airShare - 1) * 100, 0)} % air
                </span>
                {[...o.no, ...o.mind].map((t) => (
                  <small key={t}>{t}</small>
                ))}
              </button>
            </li>
          )
        })}
      </ol>
      {shown.length < options.length ? (
        <Button type="link" onClick={() => setAll(true)}>
          All {options.length}, with those not allowed
        </Button>
      ) : null}
    </>
  )
}
