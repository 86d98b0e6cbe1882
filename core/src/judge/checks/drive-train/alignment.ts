import { angleOfGap, gapOfAngle, misalignment } from '../../../drivetrain/index.ts'
import { gapPositions } from '../../../quantity/index.ts'
import { amount, convert } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import { cells, type CheckDefinition } from '../check-definition.ts'

const deg = (v: number) => `${Math.abs(v).toFixed(1)}°`

/** The four gaps in millimetres, or null while one is missing. */
function gaps(c: Context) {
  const [motorNear, motorFar, fanNear, fanFar] = gapPositions.map((p) => c.value('sheave_gap', p))
  if (motorNear === undefined || motorFar === undefined || fanNear === undefined || fanFar === undefined) return null
  const mm = (v: number) => convert(v, 'in', 'mm')
  return { motorNear: mm(motorNear), motorFar: mm(motorFar), fanNear: mm(fanNear), fanFar: mm(fanFar) }
}

const inLine: Rule = {
  id: 'alignment',
  title: 'Sheaves in line',
  subject: 'sheaves',
  from: 'visit',
  applies: (c) => c.has('sheave_gap'),
  judge(c) {
    const limit = c.limit('sheave-askew')
    const g = gaps(c)
    const { driveTrain: drive } = c
    if (!g)
      return verdict(this, {
        level: 'watch',
        settles: false,
        basis: [limit.basis],
        because: 'Not all four gaps were read.',
        next: 'Read both edges of both sheaves; 0 where the straightedge touches.',
        confidence: 'low',
      })
    if (!drive)
      return verdict(this, {
        level: 'watch',
        settles: false,
        basis: [limit.basis],
        because: 'The sheaves are not entered: a gap cannot be judged without their size.',
        next: 'Enter both sheaves and the center distance on the machine’s page.',
        confidence: 'low',
      })
    const m = misalignment(g, { motor: drive.driver, fan: drive.driven })
    const across = drive.center === null ? null : angleOfGap(Math.abs(m.offset), drive.center)
    const found = [
      {
        off: Math.abs(m.motorAngle),
        words: `the motor is skewed ${deg(m.motorAngle)}`,
        next: 'Turn the motor on its base',
      },
      {
        off: Math.abs(m.fanAngle),
        words: `the fan sheave is ${deg(m.fanAngle)} askew`,
        next: 'Look at the fan shaft and its hub',
      },
      ...(across === null
        ? []
        : [
            {
              off: across,
              words: `one sheave is offset ${convert(Math.abs(m.offset), 'mm', 'in').toFixed(2)} in from the other`,
              next: 'Slide a sheave on its shaft',
            },
          ]),
    ].sort((a, b) => b.off - a.off)
    const bad = found.filter((f) => f.off > limit.value)
    const worst = found[0]
    const may =
      drive.center === null
        ? ''
        : ` ${convert(gapOfAngle(limit.value, drive.center), 'mm', 'in').toFixed(2)} in is the limit at this center distance.`
    const sentence = (list: typeof found) => {
      const text = list.map((f) => f.words).join(', ')
      return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`
    }
    if (bad.length > 0)
      return verdict(this, {
        level: 'fix',
        value: worst?.off ?? null,
        limit: limit.value,
        basis: [limit.basis],
        because: `${sentence(bad)}${may}`,
        next: `${bad[0]?.next ?? ''}, set the tension, and check with the straightedge again.`,
      })
    return verdict(this, {
      level: 'ok',
      value: worst?.off ?? null,
      limit: limit.value,
      basis: [limit.basis],
      because: `In line within ${deg(worst?.off ?? 0)}.`,
      next: 'Nothing to do.',
    })
  },
}

/** Straightedge over both sheave faces, four gaps. */
export const alignmentCheck: CheckDefinition = {
  id: 'alignment',
  phase: 'dead',
  part: 'drive',
  title: 'Sheaves in line',
  how: 'Straightedge over both faces, feeler at four edges; 0 where it touches.',
  caution: 'Locked out. Every change of turns or tension changes the alignment: check it last.',
  for: (m) => m.drive === 'belt',
  groups: () => [
    {
      title: 'Motor sheave',
      asks: cells('sheave_gap', gapPositions.slice(0, 2), ['Outer edge', 'Inner edge']),
      also: true,
    },
    { title: 'Fan sheave', asks: cells('sheave_gap', gapPositions.slice(2), ['Inner edge', 'Outer edge']), also: true },
  ],
  advice: (c) =>
    c.driveTrain?.center == null
      ? null
      : `Half a degree at this center distance is ${amount(convert(gapOfAngle(c.limit('sheave-askew').value, c.driveTrain.center), 'mm', 'in'), 'in', c.machine.units)}.`,
  judges: [inLine],
}
