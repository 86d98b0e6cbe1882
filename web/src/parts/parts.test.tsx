import { levels } from '@motor-round/core/judge'
import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { Choice, FailureNote } from './fields/index.ts'
import { FormField } from './form-field/index.ts'
import { LevelMark, levelWords } from './level-mark/index.ts'
import { Spark } from './spark/index.ts'

const html = (node: React.ReactNode) => renderToStaticMarkup(node)
const nothing = () => undefined
const failure = (over: object = {}) => ({
  noSignal: false,
  problem: { type: 'about:blank', title: 'Not valid', status: 422, detail: 'Two things are wrong.', ...over },
})

describe('a level', () => {
  it('is always a word and a shape of its own, never color alone', () => {
    const shapes = [...levels, 'not judged' as const].map((l) => {
      const h = html(<LevelMark level={l} />)
      expect(h).toContain(levelWords[l])
      return /<svg[^>]*>(.*)<\/svg>/.exec(h)?.[1]
    })
    expect(new Set(shapes).size).toBe(shapes.length)
  })
  it('fills its cell only for stop', () => {
    expect(html(<LevelMark level="stop" filled />)).toContain('level-filled')
    expect(html(<LevelMark level="fix" filled />)).not.toContain('level-filled')
  })
  it('may carry another word', () =>
    expect(html(<LevelMark level="watch" word="7 to watch" />)).toContain('7 to watch'))
})

describe('a choice', () => {
  it('is a group with its label, and says which word is chosen', () => {
    const h = html(
      <Choice
        label="Settled"
        value={false}
        options={[
          { value: true, label: 'Yes' },
          { value: false, label: 'Not yet' },
        ]}
        onChange={nothing}
      />,
    )
    expect(h).toContain('role="group"')
    expect(h).toContain('aria-label="Settled"')
    expect(h).toMatch(/aria-pressed="true"[^>]*>Not yet/)
    expect(h).toMatch(/aria-pressed="false"[^>]*>Yes/)
  })
})

describe('what went wrong, where the person looks', () => {
  it('stands below its field as an alert', () => {
    expect(
      html(
        <FormField label="Volts" error="not a number">
          <input />
        </FormField>,
      ),
    ).toMatch(/role="alert"[^>]*>not a number/)
    expect(
      html(
        <FormField label="Volts">
          <input />
        </FormField>,
      ),
    ).not.toContain('alert')
  })
  it('says that nothing is lost without a signal', () => {
    const h = html(<FailureNote failure={{ ...failure(), noSignal: true }} kept="Kept on this phone, 3 readings." />)
    expect(h).toContain('No signal. Kept on this phone, 3 readings.')
    expect(html(<FailureNote failure={undefined} kept="x" />)).toBe('')
  })
  it('lists every field when there are several', () => {
    const errors = [
      { path: 'volts', message: 'not a number' },
      { path: 'amps', message: 'too few' },
    ]
    const h = html(<FailureNote failure={failure({ errors })} kept="x" />)
    expect(h).toContain('volts: not a number')
    expect(h).toContain('amps: too few')
  })
})

describe('the spark of the latest loads', () => {
  it('is nothing to see with fewer than two', () => expect(html(<Spark values={[0.9]} />)).not.toContain('svg'))
  it('says the last one to a reader and marks it when it is over the plate', () => {
    expect(html(<Spark values={[0.9, 0.92, 1.06]} />)).toContain('last 3 visits, now 106 % of nameplate')
    expect(html(<Spark values={[0.9, 0.92, 1.06]} />)).toContain('fill="var(--fix)"')
    expect(html(<Spark values={[0.9, 0.92, 0.94]} />)).toContain('fill="var(--ink)"')
  })
  it('stays in its box whatever the loads', () => {
    const ys = /points="([^"]*)"/
      .exec(html(<Spark values={[0.01, 2.4, 0.8]} />))?.[1]
      ?.split(' ')
      .map((p) => Number(p.split(',')[1]))
    for (const y of ys ?? []) {
      expect(y).toBeGreaterThanOrEqual(0)
      expect(y).toBeLessThanOrEqual(34)
    }
  })
})
