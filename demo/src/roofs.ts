import { noCare, type Care } from '@motor-round/contract'
import type { RoofMap, Box } from '@motor-round/core/round'
import type { Random } from '@motor-round/core/machine'
import { seededId } from './ids.ts'
import type { AreaSpec } from './places.ts'

const footprint: Readonly<Record<string, readonly [w: number, h: number]>> = {
  RTU: [3.4, 2.2],
  AHU: [5.2, 2.6],
  MAU: [4, 2.4],
  EF: [1.4, 1.4],
  FCU: [1.4, 0.8],
  condenser: [1.8, 1.8],
}

/** A roof or room as a drawing would have it: units in rows, a way in, something in the middle to walk round. */
export function mapOfDemo(
  area: AreaSpec,
  units: readonly { readonly id: string; readonly kind: string }[],
  to: string | null,
  random: Random,
  birth: number,
): RoofMap {
  const roof = area.kind === 'roof'
  const columns = roof ? 4 : 3
  const rows = Math.max(1, Math.ceil(units.length / columns))
  const step = roof ? { x: 13, y: 9 } : { x: 7, y: 5 }
  const margin = roof ? 4 : 2
  const width = Math.max(roof ? 40 : 16, margin * 2 + columns * step.x)
  const depth = Math.max(roof ? 24 : 10, margin * 2 + rows * step.y)
  const boxes: Record<string, Box> = {}
  units.forEach(({ id, kind }, i) => {
    const [w, h] = footprint[kind] ?? [2, 2]
    const tenth = (v: number) => Math.round(v * 10) / 10
    boxes[id] = {
      x: tenth(margin + (i % columns) * step.x + random.between(0.5, step.x - w - 1)),
      y: tenth(margin + Math.floor(i / columns) * step.y + random.between(0.5, step.y - h - 1.5)),
      w,
      h,
    }
  })
  const id = () => seededId(random, birth)
  return {
    width,
    depth,
    units: boxes,
    edge: roof
      ? [
          { x: 1, y: 1 },
          { x: width - 1, y: 1 },
          { x: width - 1, y: depth - 1 },
          { x: 1, y: depth - 1 },
        ]
      : [],
    hatches: [{ id: id(), name: roof ? 'Hatch' : 'Door', x: 2, y: depth - 2 }],
    ladders: to === null ? [] : [{ id: id(), name: 'Ladder', x: width - 2, y: depth / 2, to, height: 4 }],
    obstacles: roof
      ? [
          {
            id: id(),
            name: 'Skylight',
            kind: 'keep-clear',
            x: Math.round(width * 0.4),
            y: Math.round(depth - 4.5),
            w: 8,
            h: 2,
          },
        ]
      : [],
    underlay: null,
  }
}

/** What some units ask of those who come to them. */
export function careOfDemo(tag: string): Care | null {
  if (tag === 'RTU-13')
    return {
      ...noCare,
      windows: [{ from: 360, to: 600 }],
      hazards: 'The gallery below is full from ten on.',
      tell: 'Terminal desk',
    }
  if (tag === 'MAU-2')
    return {
      ...noCare,
      people: 2,
      hazards: 'Access door without a hinge.',
      lift: 'the access door, 90 lb, by two',
    }
  if (tag === 'AHU-3')
    return {
      ...noCare,
      windows: [{ from: 420, to: 560 }],
      hazards: 'Tank hall humidity: water stands in the section.',
      tell: 'Life-support desk',
      watch: 'The keeper on the tank hall floor',
      critical: true,
    }
  if (tag === 'EF-1')
    return {
      ...noCare,
      hazards: 'Grease on the deck round the galley exhaust.',
      tell: 'Galley',
    }
  return null
}
