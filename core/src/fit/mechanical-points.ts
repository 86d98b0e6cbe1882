import { allowedCurrent, polesOf, type Plate } from '../plate/index.ts'
import type { Point } from './swap.ts'
import { frameOf, type Frame } from './frames.ts'
import { missing, row } from './row.ts'

const share = (x: number) => `${(100 * x).toFixed(1)} %`

/** Within this a speed is the same; up to `near` a direct fan may do. @source common practice */
const same = 0.01
const near = 0.03

const speed: Point = (s) => {
  const [old, now] = [s.old.rpm, s.now.rpm]
  if (old === undefined || now === undefined || !(old > 0) || !(now > 0))
    return missing('Speed, rpm', old, now, 'Read the rpm on both nameplates.')
  const off = now / old - 1
  if (Math.abs(off) <= same) return row('Speed, rpm', old, now, 'drops in')
  if (s.machine.drive === 'belt')
    return row(
      'Speed, rpm',
      old,
      now,
      'fits with changes',
      `Fan speed ${share(off)} off: change the sheaves by as much.`,
      ['motor sheave for the new rpm'],
    )
  // Power goes with the cube of the speed.
  const power = (1 + off) ** 3
  if (polesOf(s.hz, old) !== polesOf(s.hz, now) || Math.abs(off) > near)
    return row('Speed, rpm', old, now, 'does not fit', 'Direct drive: the fan turns at the speed of its motor.')
  if (off < 0) return row('Speed, rpm', old, now, 'fits with changes', `Less air: ${share(-off)}.`)
  return row(
    'Speed, rpm',
    old,
    now,
    'fits with changes',
    `Power goes up by ${share(power - 1)}: prove the amps after it.`,
  )
}

/** Standard sizes, hp. @source NEMA MG 1, 10.32 */
const sizes = [0.25, 1 / 3, 0.5, 0.75, 1, 1.5, 2, 3, 5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 75, 100]
const hpOf = (p: Plate): number | undefined =>
  p.power === undefined ? undefined : p.powerUnit === 'kW' ? p.power / 0.7457 : p.power
const powerWords = (p: Plate) => (p.power === undefined ? undefined : `${p.power} ${p.powerUnit ?? 'hp'}`)

const power: Point = (s) => {
  const [old, now] = [hpOf(s.old), hpOf(s.now)]
  const words = [powerWords(s.old), powerWords(s.now)] as const
  if (old === undefined || now === undefined) return missing('Power', ...words, 'Read the power on both nameplates.')
  if (Math.abs(now / old - 1) <= 0.03) return row('Power', ...words, 'drops in')
  const at = (hp: number) => sizes.findIndex((x) => Math.abs(x / hp - 1) <= 0.06)
  if (now > old)
    return at(old) >= 0 && at(now) === at(old) + 1
      ? row('Power', ...words, 'fits with changes', 'One size up: overload, fuse and wire by its nameplate.')
      : row('Power', ...words, 'fits with changes', 'More than one size up: check wire, fuse, base and starter.')
  const limit = allowedCurrent(s.now, null, s.machine.serviceVolts)?.amps ?? null
  if (s.amps === null || limit === null)
    return missing('Power', ...words, 'Smaller: read the amps it runs at before it is ordered.')
  return s.amps <= limit
    ? row('Power', ...words, 'fits with changes', 'Smaller, and it carries what it runs at.')
    : row('Power', ...words, 'does not fit', 'Smaller than what it has to carry.')
}

const framesOf = (s: { old: Plate; now: Plate }): readonly [Frame | null, Frame | null] => [
  s.old.frame === undefined ? null : frameOf(s.old.frame),
  s.now.frame === undefined ? null : frameOf(s.now.frame),
]

const feet: Point = (s) => {
  const [old, now] = framesOf(s)
  const words = [s.old.frame, s.now.frame] as const
  if (words[0] !== undefined && words[0].trim().toUpperCase() === words[1]?.trim().toUpperCase())
    return row('Frame and feet', ...words, 'drops in')
  if (!old || !now)
    return missing('Frame and feet', ...words, 'Measure both: base holes, height of the shaft, length of the body.')
  if (old.system !== now.system)
    return row(
      'Frame and feet',
      ...words,
      'does not fit',
      'Inch and metric frames are near each other and never bolt in.',
    )
  if (now.height > old.height)
    return row('Frame and feet', ...words, 'does not fit', 'The shaft sits higher: a base cannot be ground down.')
  const holes = now.across === old.across && now.along.some((a) => old.along.includes(a))
  if (now.height === old.height && holes) return row('Frame and feet', ...words, 'drops in')
  const low = now.height < old.height ? 'The shaft sits lower: shim it up. ' : ''
  return row(
    'Frame and feet',
    ...words,
    'fits with changes',
    `${low}${holes ? '' : 'Other base holes: slots or an adapter base.'}`.trim(),
    [...(low === '' ? [] : ['shims']), ...(holes ? [] : ['adapter base', 'base bolts'])],
  )
}

const shaft: Point = (s) => {
  const [old, now] = framesOf(s)
  const words = [old && size(old, old.shaft), now && size(now, now.shaft)].map((x) => x ?? undefined)
  const [was, is] = [words[0], words[1]]
  if (!old || !now) return missing('Shaft diameter', was, is, 'Measure both shafts with calipers.')
  const mm = (f: Frame) => f.shaft * (f.system === 'NEMA' ? 25.4 : 1)
  if (Math.abs(mm(now) - mm(old)) < 0.013) return row('Shaft diameter', was, is, 'drops in')
  return s.machine.drive === 'belt'
    ? row('Shaft diameter', was, is, 'fits with changes', 'Another bushing, or a sheave bored for it.', [
        'bushing for the new shaft',
      ])
    : row('Shaft diameter', was, is, 'does not fit', 'A hub is never shimmed and never reamed.')
}
const size = (f: Frame, x: number) => (f.system === 'NEMA' ? `${x} in` : `${x} mm`)

const key: Point = (s) => {
  const [old, now] = framesOf(s)
  if (!old || !now) return null
  const words = (f: Frame) => (f.key === null ? 'flat' : size(f, f.key))
  return old.key === now.key && old.system === now.system
    ? row('Key', words(old), words(now), 'drops in')
    : row('Key', words(old), words(now), 'fits with changes', 'A step key, or a flat filed for the screw.', ['key'])
}

const reach: Point = (s) => {
  const [old, now] = framesOf(s)
  if (!old || !now) return null
  const words = [size(old, old.reach), size(now, now.reach)] as const
  const inches = (f: Frame) => f.reach / (f.system === 'NEMA' ? 1 : 25.4)
  const off = inches(now) - inches(old)
  if (Math.abs(off) <= 1 / 8) return row('Shaft length', ...words, 'drops in')
  return off > 0
    ? row('Shaft length', ...words, 'fits with changes', 'Longer: check that it fouls nothing, or trim it.')
    : row('Shaft length', ...words, 'not known', 'Shorter: check that the screw still meets the flat or key.')
}

const rotation: Point = (s) => {
  const [old, now] = [s.old.rotation, s.now.rotation]
  // Three leads are swapped where they are landed.
  if (s.machine.phases === 3) return null
  if (now === 'either') return row('Rotation', old, 'reversible', 'drops in')
  if (old === undefined || now === undefined || old === 'either')
    return missing('Rotation', old, now, 'Watch the old wheel and its arrow; name the end it is seen from.')
  const turned = s.old.rotationSeenFrom !== s.now.rotationSeenFrom
  if (s.old.rotationSeenFrom === undefined || s.now.rotationSeenFrom === undefined)
    return missing('Rotation', old, now, 'It is not said from which end it is seen.')
  return (old === now) !== turned
    ? row('Rotation', old, now, 'drops in')
    : row('Rotation', old, now, 'does not fit', 'It turns the other way and cannot be reversed.')
}

const enclosure: Point = (s) => {
  const kind = (text: string | undefined) => {
    const t = (text ?? '').toUpperCase()
    if (/TEAO|AIR.?OVER/.test(t)) return 'air-over'
    if (/TE|CLOSED/.test(t)) return 'enclosed'
    return /ODP|OPEN|DRIP/.test(t) ? 'open' : null
  }
  const words = [s.old.enclosure, s.now.enclosure] as const
  const [old, now] = [kind(words[0]), kind(words[1])]
  if (old === null || now === null) return missing('Enclosure', ...words, 'Read the enclosure on both nameplates.')
  if (old === now) return row('Enclosure', ...words, 'drops in')
  if (now === 'air-over')
    return row('Enclosure', ...words, 'not known', 'It is cooled by the fan alone: it has to sit in the air stream.')
  if (now === 'open')
    return row(
      'Enclosure',
      ...words,
      'does not fit',
      'An open motor where an enclosed one was: wet, dust or grease gets in.',
    )
  return row('Enclosure', ...words, 'fits with changes', 'Enclosed for open: check that it has room and air to cool.')
}

export const mechanicalPoints: readonly Point[] = [speed, power, feet, shaft, key, reach, rotation, enclosure]
