import type { MachinePage } from '@motor-round/contract'
import { deflectionForces } from '@motor-round/core/drivetrain'
import { amount, convert } from '@motor-round/core/quantity'
import { Button } from 'antd'
import { Link } from 'react-router'
import { lengthUnitOf } from '../../app/lengths.ts'
import { BeltDrawing } from '../../parts/belt-drawing/index.ts'
import { beltWords, driveOf, inPlace, pairOf, slotsOf, tensionOf } from './drive-facts.ts'
import { partWords } from './part-words.ts'
import { slotWords } from './slots.ts'
import { Facts } from '../../parts/facts/index.ts'

/** The drive train on a machine's page: the belt to scale, what its span asks for, what is installed. */
export function DrivePanel({ page, now, mayEdit }: { page: MachinePage; now: number; mayEdit: boolean }) {
  const { machine } = page
  const unit = lengthUnitOf(page.site)
  const pounds = (newtons: number) => amount(convert(newtons, 'N', 'lbf'), 'lbf', page.site.units)
  const drive = machine.drive === 'belt' ? driveOf(page, now) : null
  const asked = drive && tensionOf(page, drive)
  const force = asked && deflectionForces(asked.used, asked.stiffness)
  const { rotation, seenFrom } = machine.layout
  const installed = slotsOf(page)
    .filter((s) => s !== 'motor-sheave' && s !== 'driven-sheave' && s !== 'belts')
    .flatMap((slot) => inPlace(page, slot) ?? [])
  return (
    <section className="sheet">
      <header>
        <h2>Drive train</h2>
        <span className="quiet">{rotation ? `${rotation}, from the ${seenFrom ?? 'drive end'}` : ''}</span>
      </header>
      {drive ? (
        <BeltDrawing pair={pairOf(drive)} rotation={rotation} words={beltWords(page, drive)} />
      ) : machine.drive === 'belt' ? (
        <p className="quiet">
          The sheaves are not entered. Enter them to see the drive drawn to scale and what a turn does.
        </p>
      ) : null}
      {asked && force ? (
        <p className="drive-line">
          {`Press ${amount(convert(asked.span / 64, 'm', 'in'), 'in', page.site.units)} with ${pounds(force.least).split(' ')[0] ?? ''} to ${pounds(force.greatest)}`}
        </p>
      ) : null}
      <Facts
        rows={installed.map((p) => [
          slotWords[p.part.slot]
            .replace('Bearing, drive end', 'Drive end')
            .replace('Bearing, opposite end', 'Other end'),
          partWords(p.part, unit),
        ])}
      />
      <div className="row drive-buttons">
        <Link to={`/machines/${machine.id}/drive`}>
          <Button>{mayEdit ? 'Add or correct parts' : 'Parts and history'}</Button>
        </Link>
        {machine.hasVfd ? (
          <Link to={`/machines/${machine.id}/vfd`}>
            <Button>Drive and settings</Button>
          </Link>
        ) : null}
        {drive || machine.hasVfd ? (
          <Link to={`/speed-change?machine=${machine.id}`}>
            <Button type="primary">Speed change</Button>
          </Link>
        ) : null}
      </div>
    </section>
  )
}
