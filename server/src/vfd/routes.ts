import { vfdEndpoints } from '@motor-round/contract'
import { parameterOf, rawWords, shownParameter } from '@motor-round/core/vfd'
import type { Router } from 'express'
import type { Deps } from '../deps.ts'
import { refuseFuture } from '../http/in-time.ts'
import { mount } from '../http/mount.ts'
import { fieldProblem, HttpProblem, notFound } from '../http/problem.ts'
import { authorOf } from '../machine/command.ts'
import { readLive, readSettings, writeWords, type Drive } from './drive.ts'
import { dropLink, keepLink, keepSettings, recordWrite } from './keep.ts'
import { linkOf, settingsOf, vfdPageOf } from './page.ts'
import { allProfiles, keepProfile, profileOf } from './profiles.ts'

const notWritten = { title: 'Not written' }

/** Where a drive answers and what it is. Only addresses that a lead entered are ever contacted. */
async function connected({ db, log }: Deps, machineId: string): Promise<Drive> {
  const link = await linkOf(db, machineId)
  if (!link)
    throw new HttpProblem(409, 'No connection is entered for this drive. A lead enters it.', { title: 'No connection' })
  const profile = await profileOf(db, link.profileId)
  if (!profile) throw notFound('drive profile')
  return { link, profile, log }
}

/** Variable-frequency drives: what they are, where they answer, what they say, how they are set. */
export function vfdRoutes(router: Router, deps: Deps): void {
  mount(router, deps, vfdEndpoints.vfdProfiles, () => allProfiles(deps.db))

  mount(router, deps, vfdEndpoints.addVfdProfile, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      await keepProfile(tx, body, authorOf(person, deps.now()))
      return body
    }),
  )

  mount(router, deps, vfdEndpoints.vfd, ({ params }) => vfdPageOf(deps.db, params.id))

  mount(router, deps, vfdEndpoints.setVfdLink, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      await keepLink(tx, params.id, body, person, deps.now())
      return vfdPageOf(tx, params.id)
    }),
  )

  mount(router, deps, vfdEndpoints.dropVfdLink, ({ params, person }) =>
    deps.db.transaction(async (tx) => {
      await dropLink(tx, params.id, person, deps.now())
      return vfdPageOf(tx, params.id)
    }),
  )

  mount(router, deps, vfdEndpoints.readVfd, async ({ params, body }) => {
    const drive = await connected(deps, params.id)
    const { profile } = drive
    const reading = await readLive(drive)
    const settings = body.settings ? await readSettings(drive) : null
    return {
      at: deps.now().toISOString(),
      profileId: profile.id,
      reading,
      settings,
    }
  })

  mount(router, deps, vfdEndpoints.keepVfdSettings, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      await keepSettings(tx, params.id, body, person, deps.now())
      return vfdPageOf(tx, params.id)
    }),
  )

  mount(router, deps, vfdEndpoints.writeVfdSetting, async ({ params, body, person }) => {
    const drive = await connected(deps, params.id)
    const { link, profile } = drive
    const before = (await settingsOf(deps.db, params.id)).some((s) => s.id === body.id)
    if (before) return vfdPageOf(deps.db, params.id)
    const { title, range } = parameterOf(body.parameter)
    const field = profile.parameters[body.parameter]
    if (!link.mayWrite)
      throw new HttpProblem(
        409,
        'Writing to this drive is not allowed. A lead allows it at its connection.',
        notWritten,
      )
    if (!field?.writable) throw fieldProblem('parameter', `${title.toLowerCase()} of this drive cannot be written`)
    if (body.value < range[0] || body.value > range[1])
      throw fieldProblem('value', `lies between ${range[0]} and ${range[1]}`)
    refuseFuture('takenAt', new Date(body.takenAt), deps.now())
    const now = await readLive(drive)
    // A motor that turns while its drive is told otherwise is nobody's plan.
    if (now.status.running !== false)
      throw new HttpProblem(
        409,
        now.status.running === null
          ? 'The drive does not say whether it runs: set it at its display.'
          : 'The drive is running. Stop it first, then write the setting.',
        notWritten,
      )
    const was = (await readSettings(drive)).set[body.parameter]
    await writeWords(drive, field.register, rawWords(field, profile.wordOrder, body.value))
    const { set } = await readSettings(drive)
    const is = set[body.parameter]
    if (is === undefined || Math.abs(is - body.value) > field.scale)
      throw new HttpProblem(
        502,
        `The drive did not take it: ${title.toLowerCase()} reads ${is === undefined ? 'nothing' : shownParameter(body.parameter, is)}.`,
      )
    return deps.db.transaction(async (tx) => {
      const at = deps.now()
      await recordWrite(tx, params.id, body, was, person, at)
      const { id, visitId, takenAt, why } = body
      await keepSettings(tx, params.id, { id, visitId, takenAt, how: 'written', set, why }, person, at)
      return vfdPageOf(tx, params.id)
    })
  })
}
