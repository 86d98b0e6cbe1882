import {
  measuredAfter,
  motorFitted,
  partFitted,
  speedChangeBody,
  speedChangeDone,
  speedChangeDoneOffline,
  plateCorrected,
  type MachinePage,
  type SpeedChangeRecord,
} from '@motor-round/contract'
import type { z } from 'zod'
import type { Waiting } from './store.ts'

type Page = MachinePage
const motorsOf = (page: Page) => [...(page.motor ? [page.motor] : []), ...page.pastMotors]

/** A motor that was fitted here: the one before it moves to the past. */
function fitMotor(page: Page, fitted: z.output<typeof motorFitted>, by: string): Page {
  if (motorsOf(page).some((m) => m.id === fitted.id)) return page
  const { removedFor, removedWhy, replaces: _replaces, ...body } = fitted
  const old = page.motor ? [{ ...page.motor, removedAt: fitted.fittedAt, removedFor, removedWhy }] : []
  return {
    ...page,
    motor: { ...body, version: 1, removedAt: null, removedFor: null, removedWhy: '', fittedBy: by },
    pastMotors: [...old, ...page.pastMotors],
  }
}

/** A plate that was corrected here, on the version it was corrected on. */
function correctPlate(page: Page, corrected: z.output<typeof plateCorrected>): Page {
  const { motor } = page
  if (motor?.id !== corrected.motorId || motor.version !== corrected.version) return page
  const { plate, connectionVolts, fittedAt, why, standIn } = corrected
  return { ...page, motor: { ...motor, plate, connectionVolts, fittedAt, why, standIn, version: motor.version + 1 } }
}

/** A part that was fitted here: what was in its slot is out. */
function fitPart(page: Page, fitted: z.output<typeof partFitted>, by: string): Page {
  if (page.parts.some((p) => p.id === fitted.id)) return page
  const { removedFor, removedWhy, ...body } = fitted
  const parts = page.parts.map((p) =>
    p.part.slot === fitted.part.slot && p.removedAt === null
      ? { ...p, removedAt: fitted.fittedAt, removedFor, removedWhy }
      : p,
  )
  return {
    ...page,
    parts: [...parts, { ...body, version: 1, removedAt: null, removedFor: null, removedWhy: '', fittedBy: by }],
  }
}

const addSpeedChange = (page: Page, made: z.output<typeof speedChangeBody>, by: string): Page =>
  page.speedChanges.some((p) => p.id === made.id)
    ? page
    : {
        ...page,
        speedChanges: [
          { ...made, by, doneAt: null, droppedAt: null, droppedWhy: '', measured: null },
          ...page.speedChanges,
        ],
      }

/** A planned speed change that was done here, with the work, the parts and the place of the motor it comes to. */
function finishSpeedChange(page: Page, how: z.output<typeof speedChangeDoneOffline>, by: string): Page {
  const speedChange = page.speedChanges.find((p) => p.id === how.speedChangeId && p.doneAt === null)
  if (!speedChange) return page
  const told = {
    ...page,
    speedChanges: page.speedChanges.map((p) => (p === speedChange ? { ...p, doneAt: how.doneAt } : p)),
  }
  const machineId = page.machine.id
  try {
    const { work, fits, center } = speedChangeDone({ ...page, motors: motorsOf(page) }, speedChange, how)
    const fitted = fits.reduce(
      (now, fit) => fitPart(now, { ...fit, machineId, fittedAt: how.doneAt, standIn: false }, by),
      told,
    )
    return {
      ...fitted,
      machine: center === null ? page.machine : { ...page.machine, layout: { ...page.machine.layout, center } },
      work: work ? [...page.work, { ...work, machineId, by }] : page.work,
    }
  } catch (e) {
    // Home says what is not there any more; until then it stands as it was told.
    if (e instanceof RangeError) return told
    throw e
  }
}

const apply = (page: Page, w: Waiting, by: string): Page => {
  switch (w.kind) {
    case 'motor': {
      const fitted = motorFitted.safeParse(w.body).data
      return fitted ? fitMotor(page, fitted, by) : page
    }
    case 'plate': {
      const corrected = plateCorrected.safeParse(w.body).data
      return corrected ? correctPlate(page, corrected) : page
    }
    case 'part': {
      const fitted = partFitted.safeParse(w.body).data
      return fitted ? fitPart(page, fitted, by) : page
    }
    case 'speed-change': {
      const made = speedChangeBody.safeParse(w.body).data
      return made ? addSpeedChange(page, made, by) : page
    }
    case 'speed-change-done': {
      const how = speedChangeDoneOffline.safeParse(w.body).data
      return how ? finishSpeedChange(page, how, by) : page
    }
    default:
      return page
  }
}

/**
 * A machine's page with what was changed on this phone, in its order: motors, plates, parts, changes from the bench. What
 * came of those is read off the visits that are here.
 */
export function withChanges(page: MachinePage, own: readonly Waiting[], by: string): MachinePage {
  const changed = own.reduce((now, w) => apply(now, w, w.byName || by), page)
  if (changed.speedChanges.length === 0) return changed
  const known = { ...changed, motors: motorsOf(changed) }
  const measured = (p: SpeedChangeRecord) => p.measured ?? measuredAfter(known, p.doneAt)
  return { ...changed, speedChanges: changed.speedChanges.map((p) => ({ ...p, measured: measured(p) })) }
}
