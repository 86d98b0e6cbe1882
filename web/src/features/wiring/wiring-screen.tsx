import { connectionOf, wantedVolts, type LeadsOf, type Wanted } from '@motor-round/core/electrical'
import { Button } from 'antd'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { api } from '../../app/api.ts'
import type { Failure } from '../../app/failure.ts'
import { useMay } from '../../app/shell/index.ts'
import { Columns } from '../../parts/columns/index.ts'
import { Choice, PageFailure } from '../../parts/fields/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { ConnectionDrawing } from './drawing.tsx'
import { LeadSheetForm } from './lead-sheet.tsx'
import { PscPanel } from './psc-panel.tsx'
import './wiring.css'

type Leads = '3' | '6' | '9' | '12'
type Winding = NonNullable<LeadsOf['winding']>

const windings: readonly { readonly value: Winding; readonly label: string }[] = [
  { value: 'wye', label: 'Wye' },
  { value: 'delta', label: 'Delta' },
  { value: 'two speeds, one winding', label: 'Two speeds, one winding' },
  { value: 'two speeds, two windings', label: 'Two speeds, two windings' },
]
const isTwoSpeed = (w: Winding | null) => w === 'two speeds, one winding' || w === 'two speeds, two windings'

/** How the motor of a machine is connected for the volts that are there, drawn; refused where the nameplate does not say enough. */
export function WiringScreen() {
  const id = useParams()['id'] ?? ''
  const query = api.useMachinePageQuery({ params: { id } })
  const page = query.currentData
  const mayAct = useMay('mechanic')
  const [leads, setLeads] = useState<Leads | null>(null)
  const [winding, setWinding] = useState<Winding | null>(null)
  const [speed, setSpeed] = useState<'low speed' | 'high speed' | null>(null)
  if (!page)
    return query.error ? (
      <PageFailure failure={query.error as Failure} kept="This machine cannot be loaded." />
    ) : (
      <Loading page />
    )
  const { machine, motor, unit } = page
  const volts = wantedVolts(motor?.plate ?? null, machine.serviceVolts, motor?.connectionVolts ?? null)
  const twoSpeed = leads === '6' && isTwoSpeed(winding)
  const wanted: Wanted | null = twoSpeed ? speed : typeof volts === 'string' ? null : volts.wanted
  const asked = leads === '9' || leads === '12' ? windings.slice(0, 2) : leads === '6' ? windings.slice(2) : []
  const found =
    leads === null
      ? 'Count the leads in the motor’s box, then choose how many there are.'
      : typeof volts === 'string' && !twoSpeed
        ? volts
        : wanted === null
          ? 'Choose the speed.'
          : wanted === 'only' && leads !== '3'
            ? 'The nameplate gives one voltage, and the motor has leads for two. Go by the diagram on the motor.'
            : leads === '3' && wanted !== 'only'
              ? 'The nameplate gives two voltages, and a motor with three leads has one. Read the nameplate again.'
              : connectionOf(
                  { leads: Number(leads) as LeadsOf['leads'], winding: asked.length > 0 ? winding : null },
                  wanted,
                )
  return (
    <div className="page stack wiring">
      <header>
        <h1 className="machine-tag">
          <Link to={`/machines/${id}`}>
            {unit.tag} / {machine.tag}
          </Link>{' '}
          · Motor connection
        </h1>
        <p className="quiet">
          {motor
            ? `${motor.plate.maker ?? 'Motor'} ${motor.plate.model ?? ''} · ${motor.plate.volts ?? '?'} V`
            : 'No motor on record'}
          {typeof volts === 'string' ? '' : ` · connected for ${volts.volts} V`}
        </p>
      </header>
      <p className="note tone-fix caution">
        Locked out and proven dead first. The diagram on the motor governs. Wrong joints burn the winding at the first
        start: a second person checks them before the cover goes on. Qualified people, by local code.
      </p>
      {machine.phases === 1 ? (
        <PscPanel page={page} />
      ) : (
        <Columns of={['400px', 1]}>
          <section className="sheet stack wiring-choice" aria-label="What the motor has">
            <h2>What the motor has</h2>
            <Choice
              label="Leads in the box"
              options={(['3', '6', '9', '12'] as const).map((value) => ({ value, label: value }))}
              value={leads}
              onChange={(v) => {
                setLeads(v)
                setWinding(null)
              }}
            />
            {asked.length > 0 ? (
              <Choice
                label={leads === '6' ? 'Two speeds?' : 'Winding, by its diagram'}
                options={asked}
                value={winding}
                onChange={setWinding}
              />
            ) : null}
            {twoSpeed ? (
              <Choice
                label="For"
                options={[
                  { value: 'low speed', label: 'Low speed' },
                  { value: 'high speed', label: 'High speed' },
                ]}
                value={speed}
                onChange={setSpeed}
              />
            ) : null}
          </section>
          <section className="sheet stack" aria-label="Connection">
            <h2>{typeof found === 'string' ? 'Connection' : found.title}</h2>
            {typeof found === 'string' ? (
              <p role="status">{found}</p>
            ) : (
              <>
                <ConnectionDrawing connection={found} />
                <p>
                  Ground to the frame first, and it stays.{' '}
                  {found.joints.length > 0 ? 'Each joint is insulated by itself. ' : ''}
                  {found.apart.length > 0 ? 'Capped leads carry volts while it runs: cap each by itself. ' : ''}
                  Turns the wrong way: swap any two lines at the motor, and no other leads. On a drive swap its output,
                  never its input.
                </p>
                <p className="quiet">
                  NEMA MG 1 part 2, terminal markings (from memory); the motor’s own diagram governs.
                </p>
                <div className="row no-print">
                  <Button size="large" onClick={() => window.print()}>
                    Print
                  </Button>
                </div>
              </>
            )}
          </section>
        </Columns>
      )}
      <LeadSheetForm page={page} mayAct={mayAct} />
    </div>
  )
}
