import type { OrganizationFile } from '@motor-round/contract'
import { seeded } from '@motor-round/core/machine'
import { seededId } from './ids.ts'

type Findings = Pick<OrganizationFile, 'findings' | 'findingSteps'>

/** What was seen beside the readings, and what became of it. */
const told = [
  {
    at: 'EF-1/EF',
    days: 61,
    level: 'fix',
    text: 'Grease runs from the curb over the membrane',
    owner: 'Galley tenant',
    put: { days: 40, note: 'The tenant has a cleaner in December.', until: 20 },
  },
  { at: 'EF-5/EF', days: 84, level: 'watch', text: 'One belt guard screw is missing', owner: '', put: null },
  { at: 'RTU-4/SF', days: 92, level: 'watch', text: 'Condensate trap is dry', owner: '', put: null },
  {
    at: 'MAU-2/SF',
    days: 130,
    level: 'fix',
    text: 'No overload behind the bypass contactor',
    owner: 'Electrician',
    put: { days: 96, note: 'Quoted; waits for the shutdown in spring.', until: 150 },
  },
] as const

const day = (at: number) => new Date(at).toISOString().slice(0, 10)

/** Findings of the demo: open ones, and two that were put off. */
export function demoFindings(file: Pick<OrganizationFile, 'units' | 'machines'>, now: Date, birth: number): Findings {
  const random = seeded(23)
  const before = (days: number) => now.getTime() - days * 86_400_000
  const out: Findings = { findings: [], findingSteps: [] }
  for (const f of told) {
    const [unitTag, tag] = f.at.split('/')
    const unit = file.units.find((u) => u.tag === unitTag)
    const machine = file.machines.find((m) => m.unitId === unit?.id && m.tag === tag)
    if (!machine) throw new Error(`the demo has no ${f.at}`)
    const id = seededId(random, birth)
    out.findings.push({
      id,
      machineId: machine.id,
      roundId: null,
      visitId: null,
      at: new Date(before(f.days)).toISOString(),
      level: f.level,
      text: f.text,
      owner: f.owner,
      reviewOn: null,
      by: 'Mosi Okonjo',
    })
    if (f.put)
      out.findingSteps.push({
        id: seededId(random, birth),
        findingId: id,
        machineId: machine.id,
        at: new Date(before(f.put.days)).toISOString(),
        kind: 'postponed',
        note: f.put.note,
        reviewOn: day(before(-f.put.until)),
        by: 'Tamsin Vale',
      })
  }
  return out
}
