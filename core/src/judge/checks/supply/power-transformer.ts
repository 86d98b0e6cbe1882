import { transformerReading } from '../../../electrical/index.ts'
import { standard } from '../../../limits/index.ts'
import { linePositions, show } from '../../../quantity/index.ts'
import type { Context } from '../../context.ts'
import { lostLineBasis, lostLineOf } from '../../lost-line.ts'
import { verdict, type Rule } from '../../rule.ts'
import { cells, type CheckDefinition } from '../check-definition.ts'

const ratioBasis = standard('turns ratio')

/** Volts in where a line is lost ahead of it; null where none is. */
function lostAhead(c: Context): readonly number[] | null {
  const into = linePositions.map((p) => c.value('transformer_in', p))
  const rated = c.machine.controls.transformer?.ratedIn
  return rated !== undefined && lostLineOf(into, rated) ? into.filter((v) => v !== undefined) : null
}

interface OffRating {
  readonly p: string
  readonly side: 'in' | 'out'
  readonly volts: number
  readonly rated: number
}

/** Pairs of either side that are out of the window around its rating, the worst first. */
function offRating(
  c: Context,
  { ratedIn, ratedOut }: { readonly ratedIn: number; readonly ratedOut: number },
): OffRating[] {
  const window = c.limit('volts-motor-window').value
  const off = ({ volts, rated }: OffRating) => Math.abs(volts / rated - 1)
  return linePositions
    .flatMap((p) =>
      (['in', 'out'] as const).flatMap((side) => {
        const volts = c.value(`transformer_${side}`, p)
        return volts === undefined ? [] : [{ p, side, volts, rated: side === 'in' ? ratedIn : ratedOut }]
      }),
    )
    .filter((x) => off(x) > window)
    .sort((x, y) => off(y) - off(x))
}

/** The unit's own power transformer, pair by pair. */
const powerTransformer: Rule = {
  id: 'power-transformer',
  title: 'Power transformer',
  subject: 'supply',
  from: 'visit',
  applies: (c) => c.machine.controls.transformer !== null && c.has('transformer_in', 'transformer_out'),
  judge(c) {
    const rated = c.machine.controls.transformer ?? { ratedIn: 1, ratedOut: 1 }
    const stray = c.limit('transformer-ratio')
    if (linePositions.every((p) => (c.value('transformer_in', p) ?? 1) < 1))
      return verdict(this, {
        level: 'watch',
        basis: [ratioBasis],
        because: '0 V in: no supply to the transformer.',
        next: 'Read the volts at the panel that feeds it.',
        settles: false,
      })
    const lost = lostAhead(c)
    if (lost)
      return verdict(this, {
        level: 'stop',
        basis: [lostLineBasis],
        because: `${lost.map(show.volts).join(', ')} V in: a line is lost ahead of the transformer. Every motor that it feeds is single-phased.`,
        next: 'Switch off everything this transformer feeds. Then check the fuses and lugs of its primary back to the panel.',
      })
    const pairs = linePositions.flatMap((p) => {
      const into = c.value('transformer_in', p)
      const out = c.value('transformer_out', p)
      if (into === undefined || out === undefined || into <= 0) return []
      return [
        {
          p,
          into,
          out,
          r: transformerReading({ in: into, out, ...rated }, stray.value / 2, c.limit('volts-motor-window').value),
        },
      ]
    })
    // One side alone says no ratio, but what it has is too much or too little by itself.
    const [wrong] = offRating(c, rated).filter((x) => !pairs.some((y) => y.p === x.p))
    const alone = wrong
      ? verdict(this, {
          level: 'fix',
          value: wrong.volts,
          limit: wrong.rated,
          basis: [c.limit('volts-motor-window').basis],
          because: `${wrong.p} ${show.volts(wrong.volts)} V ${wrong.side}: the transformer is rated for ${show.volts(wrong.rated)} V there.`,
          next: 'Read every pair, in and out: the ratio tells which side is wrong.',
          confidence: 'low',
          settles: false,
        })
      : null
    if (pairs.length === 0) return alone ?? []
    const unread = linePositions.filter((x) => !pairs.some((y) => y.p === x))
    const broken = pairs.filter((x) => x.r.fault === 'transformer')
    const worst = (broken.length > 0 ? broken : pairs).reduce((a, b) => (Math.abs(b.r.off) > Math.abs(a.r.off) ? b : a))
    const told = pairs.map((x) => `${x.p} ${show.volts(x.into)} in, ${show.volts(x.out)} out`).join('; ')
    const over = pairs.filter((x) => x.out > rated.ratedOut * (1 + c.limit('volts-motor-window').value))
    if (broken.length > 0)
      return verdict(this, {
        level: 'stop',
        value: worst.r.off,
        limit: stray.value / 2,
        basis: [ratioBasis, stray.basis],
        because: `${told}: ${broken.map((x) => `${x.p} ${show.signed(x.r.off * 100, 0)} %`).join(', ')} off the ${show.volts(rated.ratedIn)}/${show.volts(rated.ratedOut)} V ratio. A winding or its neutral is open${over.length > 0 ? ', and loads on the high pairs burn out' : ''}.`,
        next: 'Switch off everything this transformer feeds, then the transformer itself at its primary.',
      })
    if (pairs.some((x) => x.r.fault === 'upstream'))
      return verdict(this, {
        level: 'fix',
        value: worst.r.supply - 1,
        basis: [ratioBasis],
        because: `${told}: its ratio is right, the input is wrong.`,
        next: 'The transformer is good; read the volts at the panel that feeds it.',
      })
    if (alone) return alone
    if (unread.length > 0)
      return verdict(this, {
        level: 'watch',
        value: worst.r.off,
        basis: [ratioBasis],
        because: `${told}: right as far as it was read; ${unread.join(' and ')} not read.`,
        next: `Read ${unread.join(' and ')}, in and out.`,
        confidence: 'low',
        settles: false,
      })
    return verdict(this, {
      level: 'ok',
      value: worst.r.off,
      limit: stray.value / 2,
      basis: [ratioBasis],
      because: `${told}: its ratio is right.`,
      next: 'Nothing to do.',
    })
  },
}

export const powerTransformerCheck: CheckDefinition = {
  id: 'power-transformer',
  phase: 'restore',
  part: 'electric',
  title: 'Power transformer',
  how: 'Each pair in, each pair out. The ratio tells which side the fault is on.',
  caution: 'Full supply voltage behind the covers: qualified people only, under local code.',
  for: (m) => m.controls.transformer !== null,
  groups: () => [
    { title: 'In', asks: cells('transformer_in', linePositions) },
    { title: 'Out', asks: cells('transformer_out', linePositions) },
  ],
  judges: [powerTransformer],
}
