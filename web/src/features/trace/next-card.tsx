import {
  exposures,
  testOf,
  tests,
  fitsTest,
  readAt,
  resultsOf,
  type Feature,
  type NextTest,
  type ReadAgain,
  type Test,
  type TraceStands,
} from '@motor-round/core/trace'
import type { MachinePage } from '@motor-round/contract'
import { contextOf, type JudgeInput } from '@motor-round/core/judge'
import { Button, Select } from 'antd'
import { Suspense, useCallback, useRef, useState } from 'react'
import { Link } from 'react-router'
import { api } from '../../app/api.ts'
import { shownUnitsOf } from '../../app/shown-units.ts'
import { FanEar } from './fan-ear.tsx'
import type { FanToHear } from './heard-fan.ts'
import type { Said } from './use-step.ts'
import { lazyPart } from '../../parts/late-part/index.ts'

// The cells of the visit page come with it, not with the first look at a trace.
const CheckFigures = lazyPart('The figures', async () => (await import('../visit/index.ts')).CheckFigures)

const cautions: Partial<Readonly<Record<Test['exposure'], string>>> = {
  'locked out':
    'Hands go in: your own lock and tag, every source open, proven dead with a proven meter. Qualified people; local codes apply.',
  'live panel':
    'Live panel: shock and arc flash. Qualified people with the PPE of the label (NFPA 70E), covers on as far as possible, one hand, never alone. Local codes apply.',
  'beside it running': 'Rotating parts: guards on, no loose clothing, stay out of line with belt and wheel.',
}

/** Why this test and not another, in one sentence. */
function why(next: NextTest, stands: TraceStands): string {
  const open = stands.suspects.filter((s) => s.p >= 0.05 && s.dropped === null)
  const [first, second] = open
  const proves = first?.missing.some(([t]) => t === next.test.id)
  if (first && proves) return `It would prove "${first.name}".`
  if (first && second && open.length <= 3) return `It tells "${first.name}" from "${second.name}".`
  const minutes = next.minutes === 1 ? 'one minute' : `${next.minutes} minutes`
  return `${open.length} causes are still likely; this test tells the most for its ${minutes}.`
}

/** Why a reading is wanted a second time. */
const whyAgain = ({ why }: ReadAgain, stands: TraceStands): string => {
  if (why === 'two differ') return 'It came out one way, then another. Read it a third time: the newest answer counts.'
  return why === 'all rests on it'
    ? `“${stands.suspects[0]?.name ?? ''}” rests on this one reading. Read it a second time before a part is ordered.`
    : 'No other test would tell more, and this reading fits the rest least: read it a second time.'
}

/** What the figures of a visit say here, in words. */
const meaning = (input: JudgeInput): readonly string[] =>
  resultsOf(contextOf(input)).flatMap(([id, outcome]) => {
    const test = testOf.get(id)
    const words = test?.outcomes.find((o) => o.id === outcome)?.words
    return test && words !== undefined ? [`${test.title}: ${words.toLowerCase()}`] : []
  })

function Answers({ test, enter }: { test: Test; enter: (outcome: string) => void }) {
  return (
    <div className="trace-answers" role="group" aria-label={test.title}>
      {test.outcomes.map((o) => (
        <Button key={o.id} size="large" onClick={() => enter(o.id)}>
          {o.words}
        </Button>
      ))}
    </div>
  )
}

/** The next test as one card: what, how, what comes first, its caution and its answers. */
export function NextCard({
  stands,
  features,
  fan,
  page,
  traceId,
  say,
}: {
  stands: TraceStands
  features: ReadonlySet<Feature>
  /** What listening to its fan needs; null where the record has no blades or no sheaves. */
  fan: FanToHear | null
  page: MachinePage
  traceId: string
  say: (...said: readonly Said[]) => Promise<boolean>
}) {
  const [picked, setPicked] = useState<string | null>(null)
  /** The test whose figures are being entered. */
  const [measuring, setMeasuring] = useState<string | null>(null)
  const again = picked === null ? stands.readAgain : null
  const chosen =
    stands.next.find((n) => n.test.id === picked) ?? (picked === null && !again ? stands.next[0] : undefined)
  const test = again?.test ?? chosen?.test ?? (picked === null ? undefined : testOf.get(picked))
  const policies = api.usePoliciesQuery({}).data?.policies
  const check = test ? readAt(test.id, page.machine) : null
  const done = useCallback(() => setMeasuring(null), [])
  const enter = (outcome: string) => {
    if (!test) return
    void say({ kind: 'result', test: test.id, outcome }).then((kept) => {
      if (kept) setPicked(null)
    })
  }
  const card = useRef<HTMLElement>(null)
  const pick = (id: string | null) => {
    setMeasuring(null)
    setPicked(id)
    // On a phone it was chosen below the card it is shown in.
    card.current?.scrollIntoView({ block: 'start' })
  }
  const setUp = (setup: 'locked out' | 'powered') => void say({ kind: 'setup', setup })
  const lockFirst = test !== undefined && test.needs.some((n) => n === 'locked out') && stands.setup !== 'locked out'
  const powerFirst =
    test !== undefined && test.needs.some((n) => n === 'powered' || n === 'running') && stands.setup === 'locked out'
  return (
    <section ref={card} className="sheet stack trace-next" aria-label="Next test">
      <header>
        <h2>{again ? 'Read it again' : picked === null ? 'Next test' : 'Enter a result'}</h2>
        {chosen ? (
          <span className="quiet">
            {chosen.minutes} min · {chosen.test.exposure}
          </span>
        ) : null}
      </header>
      {test ? (
        <>
          <h3 className="trace-test">{test.title}</h3>
          <p>{test.how}</p>
          {chosen ? <p className="quiet">{why(chosen, stands)}</p> : null}
          {again ? <p className="strong">{whyAgain(again, stands)}</p> : null}
          {cautions[test.exposure] === undefined ? null : (
            <p className="note tone-watch" role="note">
              {cautions[test.exposure]}
            </p>
          )}
          {chosen?.before
            .filter((b) => b.minutes === 0 || (!lockFirst && !powerFirst))
            .map((b) => (
              <p key={b.words}>
                <b>First:</b> {b.words}.
              </p>
            ))}
          {lockFirst ? (
            <div className="row">
              <Button type="primary" size="large" onClick={() => setUp('locked out')}>
                Locked out and proven dead
              </Button>
              <Link to={`/machines/${page.machine.id}/visit?scope=dead`}>
                <Button size="large">Take the lockout readings</Button>
              </Link>
            </div>
          ) : powerFirst ? (
            <div className="row">
              <Button type="primary" size="large" onClick={() => setUp('powered')}>
                Closed up and powered, guards on
              </Button>
            </div>
          ) : (
            <>
              {test.id === 'rpm' && fan ? <FanEar fan={fan} /> : null}
              {check && policies && measuring === test.id ? (
                <Suspense fallback={<p className="quiet">Loading …</p>}>
                  <CheckFigures
                    key={check.id}
                    page={page}
                    check={check}
                    units={shownUnitsOf(page.site, policies)}
                    trace={traceId}
                    means={meaning}
                    done={done}
                  />
                </Suspense>
              ) : (
                <>
                  {check ? (
                    <div className="row">
                      <Button type="primary" size="large" onClick={() => setMeasuring(test.id)}>
                        Enter the figures
                      </Button>
                      <span className="quiet">or choose what it came to:</span>
                    </div>
                  ) : null}
                  <Answers test={test} enter={enter} />
                </>
              )}
            </>
          )}
        </>
      ) : (
        <p>
          {stands.suspects[0]?.confidence === 'proven'
            ? 'The cause is proven. Finish the trace below.'
            : 'No test that can be made now would tell more. Run it under a logger until it happens again, or get help.'}
        </p>
      )}
      {stands.next.length > 1 && picked === null && !again ? (
        <div className="trace-instead">
          <h4>Instead</h4>
          {stands.next.slice(1, 3).map((n) => (
            <button key={n.test.id} type="button" onClick={() => pick(n.test.id)}>
              <b>{n.test.title}</b>
              <span className="quiet">
                {n.minutes} min · {n.test.exposure}
              </span>
            </button>
          ))}
        </div>
      ) : null}
      <div className="row">
        <Select
          className="trace-any"
          aria-label="Enter another result"
          placeholder="Enter another result"
          showSearch
          optionFilterProp="label"
          value={null}
          onChange={pick}
          options={exposures.map((e) => ({
            label: e,
            options: tests
              .filter((t) => t.exposure === e && fitsTest(t, features))
              .map((t) => ({ value: t.id, label: t.title })),
          }))}
        />
        {picked === null ? null : <Button onClick={() => pick(null)}>Back to the next test</Button>}
        <Link to={`/machines/${page.machine.id}/visit`}>
          <Button>Take readings</Button>
        </Link>
      </div>
    </section>
  )
}
