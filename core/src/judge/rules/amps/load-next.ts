import { airPathSays, type WheelType } from '../../../air/index.ts'
import { drivenRpm, usualCreep } from '../../../drivetrain/index.ts'
import { show } from '../../../quantity/index.ts'
import { loadPoint, meanVolts, valuesAt } from '../../../trend/index.ts'
import { across, airBefore, sameSpeedBefore } from '../../air-before.ts'
import type { Context } from '../../context.ts'
import { scaleOf } from '../../scale.ts'

/** A housing so far above the air in it, or so hot at all, takes power of its own. °C. @source common practice */
const hotter = 30
const hot = 70
/** Speed and pressure that moved less than this are as they were. */
const small = 0.03
const smallAir = 0.08

const ends = { de: 'drive-end', ode: 'opposite-end' } as const

/** The bearing that was heard, or is hot, at this visit. */
function dragging(c: Context): string | null {
  const air = c.value('temperature', 'ambient')
  for (const [end, name] of Object.entries(ends)) {
    const celsius = c.value('temperature', `bearing-${end}`)
    if (celsius !== undefined && (celsius > hot || (air !== undefined && celsius > air + hotter)))
      return `The ${name} bearing is at ${show.temperature(celsius, scaleOf(c))}: it drags. Check belt tension, then grease or replace it.`
    const heard = c.answer(`bearing.${end}`)
    if (heard === 'growls' || heard === 'rough')
      return `The ${name} bearing ${heard === 'rough' ? 'is rough' : 'growls'}: it drags. Put that right first.`
  }
  return null
}

/** By how much the fan turns faster than by its sheaves, or than it did on them; null where no speed was read. */
function speedMoved(c: Context): { by: number; than: string } | null {
  const now = c.value('rpm', 'driven')
  if (now === undefined) return null
  const motor = c.value('rpm', 'motor') ?? c.plateRpm
  if (c.driveTrain && motor !== undefined && motor > 0 && !c.machine.hasVfd)
    return {
      by: now / drivenRpm(motor, c.driveTrain.driver, c.driveTrain.driven, usualCreep) - 1,
      than: 'by its sheaves',
    }
  const [then] = sameSpeedBefore(c).flatMap((s) => valuesAt(s.readings, 'rpm', ['driven'])[0] ?? [])
  return then === undefined || then <= 0 ? null : { by: now / then - 1, than: 'before' }
}

/** What pressure and amps together say against the latest visit that read both. */
function airMoved(c: Context): { says: ReturnType<typeof airPathSays>; still: boolean } | null {
  const now = across(c.visit)
  const last = airBefore(c)
  const then = last && across(last)
  const volts = meanVolts(c.visit)
  const amps = loadPoint(c.visit, volts)
  const before = last && loadPoint(last, volts)
  if (now === null || !then || !amps || !before) return null
  const change = { pressure: now / then - 1, amps: amps.normal / before.normal - 1 }
  return {
    says: airPathSays(c.wheel?.type ?? 'forward-curved', change, smallAir),
    still: Math.abs(change.pressure) < smallAir,
  }
}

/** What the work that began this baseline and put the amps up asks for; null where it did not. */
function sinceWork(c: Context): string | null {
  const { startedBy } = c.baseline
  if (!c.point || !c.before || startedBy === null || c.point.normal / c.before.middle < 1.02) return null
  if (startedBy === 'sheave-turned' || startedBy === 'sheave-changed' || startedBy === 'speed-set')
    return 'It came with that speed change: go back part of the way. Speed change calculates how far.'
  if (startedBy === 'belts-renewed') return 'It came with the new belts: measure their tension first.'
  return null
}

/** What the wheel leaves open, and what tells it apart. @source trade: the power curve of the wheel */
const readUp: Readonly<Record<WheelType, string>> = {
  'forward-curved':
    'Read the pressure across the fan and its rpm: lower pressure means more air (filters out, a door open), higher rpm is the sheave, both unchanged is drag.',
  'backward-inclined': 'Read the fan rpm: higher is the sheave or the Hz; unchanged is drag.',
  propeller: 'Check for a blocked coil first: it loads this wheel. Free airway and unchanged rpm mean drag.',
}
const readDown: Readonly<Record<WheelType, string>> = {
  'forward-curved':
    'Read the pressure across the fan and its rpm: lower rpm is the belt, higher pressure is filters or a damper.',
  'backward-inclined': 'Read the fan rpm: lower is belt or sheave; unchanged, check for a wheel loose on its shaft.',
  propeller: 'Read the fan rpm: lower is the belt; unchanged, look for an open door or a broken blade.',
}

/** More amps than the plate or the past allows: what the readings of this visit point to, or what to read to tell it. */
export function moreAmpsNext(c: Context): string {
  if (c.visit.state.panels === 'off') return 'Put the panels on and re-read: some wheels load up with panels off.'
  const bearing = dragging(c)
  if (bearing !== null) return bearing
  const work = sinceWork(c)
  if (work !== null) return work
  const speed = speedMoved(c)
  if (speed !== null && speed.by > small)
    return `The fan turns ${show.percent(speed.by)} faster than ${speed.than}: measure the sheaves and count the turns open.`
  const air = airMoved(c)
  if (air !== null && air.says === 'opening')
    return 'Lower pressure with more amps: more air. Look for missing filters or an open door or duct.'
  if (air !== null && air.says === 'restriction')
    return 'Higher pressure with more amps on this wheel: the air is restricted. Find where.'
  if (air !== null && air.says === 'faster')
    return 'Higher pressure with more amps: it runs faster. Read its rpm and count the turns open.'
  if ((air !== null && air.still) || (speed !== null && Math.abs(speed.by) <= small))
    return c.machine.drive === 'belt'
      ? `${air?.still ? 'The pressure' : 'The speed'} is unchanged, so something drags: check belt tension, then turn the bearings by hand, locked out.`
      : `${air?.still ? 'The pressure' : 'The speed'} is unchanged, so something drags: turn the bearings by hand, locked out, and check the wheel for a rub.`
  return readUp[c.wheel?.type ?? 'forward-curved']
}

/** Fewer amps than usual: what the readings of this visit point to, or what to read to tell it. */
export function fewerAmpsNext(c: Context): string {
  const speed = speedMoved(c)
  if (speed !== null && speed.by < -small)
    return `The fan turns ${show.percent(-speed.by)} slower than ${speed.than}: the belt slips. Set the tension on the base; check the grooves with a gauge.`
  const air = airMoved(c)
  if (air !== null && air.says === 'restriction')
    return 'Higher pressure with fewer amps: less air. Check filters, then dampers.'
  if (air !== null && air.says === 'opening')
    return 'Lower pressure with fewer amps on this wheel: less restriction. Look for an open door or duct.'
  if (air !== null && air.says === 'slower')
    return 'Lower pressure with fewer amps: it runs slower, or the wheel is dirty. Read its rpm, then check the wheel.'
  return readDown[c.wheel?.type ?? 'forward-curved']
}
