import type { Judgement, Level } from '../judge/index.ts'
import { limitInForce, type Policies } from '../limits/index.ts'
import { legPositions, mean, show } from '../quantity/index.ts'
import { dayMs, valueOf, valuesAt, type Visit, type WorkDone } from '../trend/index.ts'
import type { SettingLine } from '../vfd/index.ts'

/** What turns the air down: whether a bypass may run at full speed depends on it. */
export type FanControl = 'duct pressure' | 'temperature' | 'none'

/** All that a commissioning sheet of a drive rests on. Instants in ms since 1970. */
export interface Commissioned {
  readonly visits: readonly Visit[]
  readonly work: readonly WorkDone[]
  /** When the motor was put in. */
  readonly motorAt: number | null
  readonly judgement: Judgement | null
  /** Settings that were saved last, each held against the nameplate; null: none were. */
  readonly settings: { readonly at: number; readonly lines: readonly SettingLine[] } | null
  /** In how many settings its twins differ; null: it has none, or none of theirs are saved. */
  readonly unlikeTwins: number | null
  readonly hasTwin: boolean
  readonly control: FanControl | null
  readonly policies: Policies
  /** The zone in which days are told. */
  readonly zone: string
  readonly now: number
}

/** One line of the sheet. */
export interface SheetLine {
  readonly id: string
  readonly title: string
  readonly state: 'done' | 'wrong' | 'missing'
  readonly told: string
  /** Empty where nothing is to be done. */
  readonly next: string
}

/** Frequencies so close are the same speed. */
const sameSpeed = 6
/** So many speeds make a baseline: low, middle and full. */
const speeds = 3

/** The drive or the motor that it runs was put in or repaired: what was read before is of another one. */
export function commissionedSince(c: Pick<Commissioned, 'work' | 'motorAt'>): number | null {
  const since = c.work.reduce(
    (a, w) => (w.kind === 'drive-repaired' || w.kind === 'motor-replaced' ? Math.max(a, w.at) : a),
    c.motorAt ?? -Infinity,
  )
  return since === -Infinity ? null : since
}

const newest = (visits: readonly Visit[], is: (v: Visit) => boolean): Visit | null =>
  visits.filter(is).reduce<Visit | null>((a, b) => (a === null || b.at >= a.at ? b : a), null)

const bad = (level: Level | undefined) => level === 'fix' || level === 'stop' || level === 'watch'

/** A line that a check of a visit decides. */
function byCheck(
  c: Commissioned,
  line: Pick<SheetLine, 'id' | 'title'>,
  visit: Visit | null,
  checks: readonly string[],
  missing: string,
): SheetLine {
  if (!visit) return { ...line, state: 'missing', told: 'Not read since.', next: missing }
  const day = show.day(visit.at, c.now, c.zone)
  const said = (c.judgement?.verdicts ?? []).filter((v) => checks.includes(v.check))
  const wrong = said.find((v) => bad(v.level))
  if (wrong) return { ...line, state: 'wrong', told: `${day}: ${wrong.because}`, next: wrong.next }
  // What nobody could judge is not proven.
  if (said.length === 0)
    return {
      ...line,
      state: 'missing',
      told: `${day}: read, and it could not be judged.`,
      next: `Complete the nameplate and the readings. ${missing}`,
    }
  return { ...line, state: 'done', told: day, next: '' }
}

/** Settings without which nothing protects the motor: the sheet is not done before they are known. */
const protects: readonly SettingLine['id'][] = ['plate-amps', 'overload-amps']

function settingsLine(c: Commissioned): SheetLine {
  const line = { id: 'settings', title: 'Settings against the nameplate' }
  if (c.settings === null)
    return { ...line, state: 'missing', told: 'None saved since.', next: 'Read the settings or enter them, then save.' }
  const wrong = c.settings.lines.filter((l) => l.level === 'fix' || l.level === 'watch')
  const known = c.settings.lines.filter((l) => l.set !== null)
  const unproven = c.settings.lines.filter((l) => protects.includes(l.id) && l.level !== 'ok')
  const [first] = wrong
  if (first)
    return {
      ...line,
      state: 'wrong',
      told: `${wrong.length} not as they should be. ${first.title}: ${first.because}`,
      next: first.next,
    }
  const day = show.day(c.settings.at, c.now, c.zone)
  const [open] = unproven
  if (open || known.length === 0)
    return {
      ...line,
      state: 'missing',
      told: open ? `${open.title}: ${open.set === null ? 'not read.' : open.because}` : 'None was read.',
      next: 'Read all settings, complete the nameplate, then save.',
    }
  return {
    ...line,
    state: 'done',
    told: `${day}: ${known.length} of ${c.settings.lines.length} read, all as they should be`,
    next: '',
  }
}

function lugsLine(c: Commissioned, since: number): SheetLine {
  const line = { id: 'lugs', title: 'Lugs torqued, line and load side' }
  const loose = c.judgement?.verdicts.find((v) => ['terminals', 'lug-torque'].includes(v.check) && bad(v.level))
  if (loose) return { ...line, state: 'wrong', told: loose.because, next: loose.next }
  const read = newest(
    c.visits,
    (v) => v.readings.some((r) => r.quantity === 'lug_torque') || v.answers?.['lugs'] === 'tight',
  )
  const done = c.work.reduce(
    (a, w) => (w.kind === 'terminals-tightened' ? Math.max(a, w.at) : a),
    read?.at ?? -Infinity,
  )
  if (done < since || done === -Infinity)
    return {
      ...line,
      state: 'missing',
      told: 'Not recorded since.',
      next: 'Torque them by the label, mark them, and record it.',
    }
  const again = limitInForce('vfd-lugs-again', c.policies).value
  const due = Math.max(since, 0) + again * dayMs
  // Copper settles in the first weeks: torqued once more after them, they are done.
  const settled = done >= due
  return {
    ...line,
    state: 'done',
    told: show.day(done, c.now, c.zone),
    next: settled ? '' : `Torque them again by ${show.day(due, c.now, c.zone)}: new lugs settle.`,
  }
}

function speedsLine(c: Commissioned, since: number): SheetLine {
  const line = { id: 'speeds', title: 'Amps at three speeds' }
  const found = c.visits
    .filter((v) => v.at >= since && v.state.settled !== false)
    .flatMap((v) => {
      const hz = valueOf(v.readings, 'hz')
      const legs = valuesAt(v.readings, 'amps', legPositions).filter((x) => x !== undefined)
      return hz !== undefined && hz >= 5 && legs.length === 3 ? [{ hz, amps: mean(legs) }] : []
    })
    .sort((a, b) => a.hz - b.hz)
  const apart = found.reduce<typeof found>((kept, f) => {
    const last = kept.at(-1)
    return last === undefined || f.hz - last.hz >= sameSpeed ? [...kept, f] : kept
  }, [])
  const told = apart.map((f) => `${show.amps(f.amps)} A at ${Math.round(f.hz)} Hz`).join(', ')
  return apart.length >= speeds
    ? { ...line, state: 'done', told, next: '' }
    : {
        ...line,
        state: 'missing',
        told: told === '' ? 'None read since.' : `Only ${told}.`,
        next: `Take a visit at low, middle and full speed, all three legs on the output, ${sameSpeed} Hz or more apart.`,
      }
}

function bypassLine(c: Commissioned): SheetLine {
  const line = { id: 'bypass', title: 'Bypass' }
  switch (c.control) {
    case null:
      return { ...line, state: 'missing', told: 'What controls the fan is not entered.', next: 'Choose it above.' }
    case 'duct pressure':
      return {
        ...line,
        state: 'done',
        told: 'Advised against: on closing boxes a fan at full speed bursts the duct.',
        next: 'Lock the bypass out. If the drive fails, run on one fan of a twin, or wait.',
      }
    default:
      return {
        ...line,
        state: 'done',
        told: 'May run at full speed while the drive is out.',
        next: 'Bump it alone for rotation, set its own overload to the nameplate, and try its high-static trip.',
      }
  }
}

function twinLine(c: Commissioned): SheetLine[] {
  if (!c.hasTwin) return []
  const line = { id: 'twin', title: 'Both drives of the twin set alike' }
  if (c.unlikeTwins === null)
    return [
      {
        ...line,
        state: 'missing',
        told: 'The settings of its twin are not saved.',
        next: 'Read and save those of the twin.',
      },
    ]
  return [
    c.unlikeTwins === 0
      ? { ...line, state: 'done', told: 'Alike', next: '' }
      : {
          ...line,
          state: 'wrong',
          told: `${c.unlikeTwins} setting${c.unlikeTwins === 1 ? '' : 's'} differ.`,
          next: 'Set both alike, except their addresses.',
        },
  ]
}

/**
 * A drive's commissioning on one sheet: what is proven since drive or motor were put in, what is wrong, and what nobody has read yet.
 * Everything on it comes from visits, work and saved settings; nothing is entered twice.
 * @source common practice; the drive manual governs
 */
export function commissioningSheet(c: Commissioned): SheetLine[] {
  const since = commissionedSince(c) ?? -Infinity
  const last = (is: (v: Visit) => boolean) => newest(c.visits, (v) => v.at >= since && is(v))
  const read = (...quantities: string[]) => last((v) => v.readings.some((r) => quantities.includes(r.quantity)))
  const settings = c.settings !== null && c.settings.at >= since ? c.settings : null
  const turned = last((v) => v.answers?.['rotation.seen'] !== undefined && v.answers['rotation.by'] !== 'phase meter')
  return [
    byCheck(
      c,
      { id: 'insulation', title: 'Motor and cable to ground, drive off' },
      read('megohms'),
      ['insulation'],
      'Take the leads off the drive and test motor and cable: never through the drive.',
    ),
    byCheck(
      c,
      { id: 'winding', title: 'Load side: three windings equal' },
      read('winding_ohms'),
      ['winding-ohms'],
      'Read the ohms of all three pairs at the drive’s output leads.',
    ),
    byCheck(
      c,
      { id: 'line', title: 'Line side: three volts, before it is started' },
      read('volts_ll'),
      ['service-voltage', 'voltage-unbalance', 'line-side'],
      'Read all three line volts at the drive’s line terminals.',
    ),
    lugsLine(c, since),
    byCheck(
      c,
      { id: 'ground', title: 'Ground: current in its wire while it runs' },
      read('ground_amps'),
      ['ground-current'],
      'Clamp the ground wire at the drive: near zero, after a drive up to its limit.',
    ),
    settingsLine({ ...c, settings }),
    byCheck(
      c,
      { id: 'rotation', title: 'Rotation by eye, started from the drive' },
      turned,
      ['rotation', 'turning'],
      'Start it from the drive at low speed and look at the wheel.',
    ),
    speedsLine(c, since),
    ...twinLine(c),
    bypassLine(c),
  ]
}
