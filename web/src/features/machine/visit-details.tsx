import type { VisitRecord } from '@motor-round/contract'
import { checkDefinitions, unknownControls, type Ask, type MachineFacts } from '@motor-round/core/judge'
import { findQuantity, placeWords, readingFigure, type Reading, type ShownUnits } from '@motor-round/core/quantity'
import { Facts } from '../../parts/facts/index.ts'

/** What the table of visits shows by itself. */
const inTable = new Set(['volts_ll', 'volts_ln', 'amps', 'hz'])

function figure(r: Reading, units: ShownUnits): string {
  const how = r.how === 'unsteady' || r.how === 'peak' ? ` ${r.how}` : ''
  return `${placeWords(r.quantity, r.position)} ${readingFigure(r, units)}${how}`.trim()
}

const everything: MachineFacts = {
  phases: 3,
  serviceVolts: 480,
  hasVfd: true,
  hasTwin: true,
  drive: 'belt',
  controls: { ...unknownControls, transformer: { ratedIn: 1, ratedOut: 1 }, gasSection: true },
  unitPlate: null,
}
const asks = new Map<string, Ask>(
  [everything, { ...everything, phases: 1 as const }]
    .flatMap((facts) => checkDefinitions.flatMap((c) => c.groups(facts)).flatMap((g) => g.asks))
    .flatMap((a) => (a.kind === 'reading' ? [] : [[a.id, a] as const])),
)

/** Is there more to a visit than its row in the table? */
export const hasDetails = (s: VisitRecord): boolean =>
  s.readings.some((r) => !inTable.has(r.quantity)) || Object.keys(s.answers).length > 0 || s.passes.length > 0

/** Everything else that was read, answered and passed at a visit. */
export function VisitDetails({ visit, units }: { visit: VisitRecord; units: ShownUnits }) {
  const codes = [...new Set(visit.readings.map((r) => r.quantity))].filter((q) => !inTable.has(q))
  return (
    <Facts
      columns={2}
      rows={[
        ...codes.map(
          (code) =>
            [
              findQuantity(code)?.title ?? code,
              visit.readings
                .filter((r) => r.quantity === code)
                .map((r) => figure(r, units))
                .join(', '),
            ] as const,
        ),
        ...Object.entries(visit.answers).flatMap(([id, value]) => {
          const ask = asks.get(id)
          if (!ask || ask.kind === 'reading') return []
          const words = ask.kind === 'choice' ? (ask.options.find(([v]) => v === value)?.[1] ?? value) : value
          return [[ask.label, words] as const]
        }),
        ...visit.passes.map((p) => [`Override: ${p.gate}`, `${p.by}: ${p.reason}`] as const),
      ]}
    />
  )
}
