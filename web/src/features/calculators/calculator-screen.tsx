import type { MachinePage } from '@motor-round/contract'
import { describeCalculator, findCalculator, type Calculator } from '@motor-round/core/calc'
import { Button, Input, Select } from 'antd'
import { Suspense, useMemo, useState, type Dispatch, type SetStateAction } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import { api } from '../../app/api.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { HowToButton } from '../../parts/how-to/index.ts'
import { SafePart } from '../../parts/safe-part/index.ts'
import { calcMachine } from './calc-machine.ts'
import {
  cellsOf,
  convertCells,
  fieldsOf,
  inputOf,
  problemWords,
  shownOutput,
  type CalcField,
  type Cells,
} from './fields.ts'
import { groupWords } from './groups.ts'
import { Columns } from '../../parts/columns/index.ts'
import { Facts } from '../../parts/facts/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { lazyPart } from '../../parts/late-part/index.ts'
import './calculators.css'

const CurveChart = lazyPart('The chart', async () => (await import('./curve-chart.tsx')).CurveChart)

function Cell({
  field,
  index,
  cells,
  set,
}: {
  field: CalcField
  index: number
  cells: Cells
  set: (name: string, index: number, text: string) => void
}) {
  const value = cells[field.name]?.[index] ?? ''
  const label = field.kind === 'numbers' ? `${field.title}, ${field.labels[index] ?? ''}` : field.title
  if (field.kind === 'choice')
    return (
      <Select
        aria-label={label}
        style={{ width: '100%' }}
        value={value === '' ? null : value}
        allowClear={!field.required}
        options={field.options.map((o) => ({ value: String(o), label: String(o) }))}
        onChange={(v: string | null) => set(field.name, index, v ?? '')}
      />
    )
  return (
    <Input
      aria-label={field.unit === '' ? label : `${label}, ${field.unit}`}
      value={value}
      inputMode={field.kind === 'text' ? 'text' : 'decimal'}
      suffix={field.unit}
      // What stands there is replaced by what is typed: the example as much as the last value.
      onFocus={(e) => e.target.select()}
      onChange={(e) => set(field.name, index, e.target.value)}
    />
  )
}

function Form({
  calculator,
  cells,
  setCells,
  from,
  metric,
}: {
  calculator: Calculator
  cells: Cells
  setCells: Dispatch<SetStateAction<Cells>>
  from: string | null
  metric: boolean
}) {
  const d = useMemo(() => describeCalculator(calculator), [calculator])
  const inputs = useMemo(() => fieldsOf(d.input, metric), [d, metric])
  const outputs = useMemo(() => fieldsOf(d.output, metric), [d, metric])
  const input = inputOf(inputs, cells)
  const isExample = JSON.stringify(cells) === JSON.stringify(cellsOf(inputs, calculator.example))
  const complete = inputs.every((f) => !f.required || (cells[f.name] ?? []).every((t) => t.trim() !== ''))
  const answer = complete ? calculator.run(input) : null
  const problems = answer && !answer.ok ? answer.problems : []
  const curve = answer?.ok ? calculator.curve(input) : null
  const set = (name: string, index: number, text: string) =>
    setCells((old) => ({ ...old, [name]: (old[name] ?? []).map((t, i) => (i === index ? text : t)) }))
  const wrong = (f: CalcField) => {
    const problem = problems.find((p) => p.field.split('.')[0] === f.name)
    return problem && problemWords(f, problem)
  }
  const elsewhere = problems.filter((p) => !inputs.some((f) => f.name === p.field.split('.')[0]))
  return (
    <Columns of={[5, 6]}>
      <section className="sheet stack">
        <header>
          <h2>Input</h2>
          <span className="quiet">
            {from ? `from ${from}` : isExample ? 'worked example: enter your own values' : ''}
          </span>
        </header>
        <div className="form-grid">
          {inputs.map((f) => (
            <div key={f.name} className={f.kind === 'numbers' ? 'whole-row' : ''}>
              <FormField label={f.required ? f.title : `${f.title} (if known)`} error={complete ? wrong(f) : undefined}>
                <span className={f.kind === 'numbers' ? 'legs' : ''}>
                  {f.kind === 'numbers' ? (
                    f.labels.map((l, i) => (
                      <span key={l}>
                        <small>{l}</small>
                        <Cell field={f} index={i} cells={cells} set={set} />
                      </span>
                    ))
                  ) : (
                    <Cell field={f} index={0} cells={cells} set={set} />
                  )}
                </span>
              </FormField>
            </div>
          ))}
        </div>
        <div className="row">
          <Button onClick={() => setCells(cellsOf(inputs, calculator.example))}>Worked example</Button>
          <Button onClick={() => setCells(cellsOf(inputs, {}))}>Clear</Button>
        </div>
      </section>
      <div className="stack">
        <section className="sheet" aria-label="Result" aria-live="polite">
          <h2>Output</h2>
          {answer?.ok ? (
            <div className="calc-out">
              <Facts
                figures
                rows={outputs.flatMap((f) => {
                  const v = answer.result[f.name]
                  return f.name === 'note' && v === null ? [] : [[f.title, shownOutput(f, v)] as const]
                })}
              />
            </div>
          ) : (
            <p className="quiet">
              {complete ? 'Correct the marked fields.' : 'Enter the values above; the answer updates as you type.'}
            </p>
          )}
          {elsewhere.map((p) => (
            <p key={p.field} role="alert" className="field-error">
              {p.message}
            </p>
          ))}
        </section>
        {curve ? (
          <section className="sheet">
            <Suspense fallback={<div style={{ height: 250 }} />}>
              <SafePart what="Chart">
                <CurveChart curve={curve} metric={metric} />
              </SafePart>
            </Suspense>
          </section>
        ) : null}
        <section className="sheet">
          <h2>Formula and source</h2>
          <p className="calc-formula">{calculator.formula}</p>
          <p className="quiet">
            {calculator.basis
              .map((b) =>
                b.sure === 'certain' ? b.text : b.sure === 'from memory' ? `${b.text} (from memory)` : b.text,
              )
              .join(' · ')}
          </p>
        </section>
      </div>
    </Columns>
  )
}

/** One calculator of the register, its page made from its schema. */
export function CalculatorScreen() {
  const id = useParams()['id'] ?? ''
  const [params] = useSearchParams()
  const machine = params.get('machine')
  const query = api.useMachinePageQuery({ params: { id: machine ?? '' } }, { skip: machine === null })
  const page = query.currentData
  const places = api.usePlacesQuery({})
  const calculator = findCalculator(id)
  if (!calculator) return <p className="page">There is no such calculator. See the list of calculators.</p>
  if (machine !== null && !page && !query.isError) return <Loading page />
  const sites = page ? [page.site] : (places.data?.sites ?? [])
  const metric = sites.length > 0 && sites.every((s) => s.units === 'metric')
  return (
    <CalculatorPage
      key={`${id} ${page?.machine.id ?? ''} ${metric ? 'metric' : ''}`}
      calculator={calculator}
      machine={machine}
      page={page}
      metricAtFirst={metric}
    />
  )
}

function CalculatorPage({
  calculator,
  machine,
  page,
  metricAtFirst,
}: {
  calculator: Calculator
  machine: string | null
  page: MachinePage | undefined
  /** By the settings of the machine's site, or of all sites where it was opened from none. */
  metricAtFirst: boolean
}) {
  const [metric, setMetric] = useState(metricAtFirst)
  const schema = describeCalculator(calculator)
  const inputs = fieldsOf(schema.input, metric)
  const both = [...fieldsOf(schema.input), ...fieldsOf(schema.output)]
  const all = [...inputs, ...fieldsOf(schema.output, true)]
  // Where nothing is in inches, pounds or horsepower there is nothing to choose.
  const choice = both.some((f) => all.some((m) => m.name === f.name && m.unit !== f.unit))
  const [cells, setCells] = useState(() =>
    cellsOf(inputs, page ? calculator.fill(calcMachine(page)) : calculator.example),
  )
  const otherUnits = () => {
    setCells((old) => convertCells(inputs, fieldsOf(schema.input, !metric), old))
    setMetric(!metric)
  }
  return (
    <div className="page stack">
      <p className="quiet">
        <Link to={`/calculators${machine === null ? '' : `?machine=${machine}`}`}>Calculators</Link> ·{' '}
        {groupWords[calculator.group]}
      </p>
      <header className="between">
        <h1>{calculator.title}</h1>
        <HowToButton of="calculator" id={calculator.id} title={calculator.title} />
        {choice || metric ? (
          <Button onClick={otherUnits}>{metric ? 'Inches, pounds, cfm' : 'Metric units'}</Button>
        ) : null}
      </header>
      <Form
        metric={metric}
        calculator={calculator}
        cells={cells}
        setCells={setCells}
        from={page ? `${page.unit.tag} / ${page.machine.tag}` : null}
      />
    </div>
  )
}
