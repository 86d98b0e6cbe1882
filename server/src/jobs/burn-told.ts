import { burnLevel, gradeBurn, type JobFact } from '@motor-round/core/job'
import type { Content } from 'pdfmake/interfaces.js'
import { cell, heading, level, lines } from '../rounds/pdf.ts'

/** The last combustion test of a job, each thing that was read by itself: the figures decide, so the person who pays sees them. */
export function burnTold(facts: readonly JobFact[], scale: 'F' | 'C', day: (ms: number) => string): Content[] {
  const last = facts.findLast((f) => f.kind === 'burn')
  if (last?.kind !== 'burn') return []
  const { airFree, parts } = gradeBurn(last.test, scale)
  const body = parts.map((p): Content[] => [level(burnLevel[p.grade]), cell(p.words)])
  const read = `Read ${day(last.at)} by ${last.by}: CO ${last.test.co} ppm${airFree === null ? '' : `, ${airFree.toFixed(0)} ppm air-free`}, oxygen ${last.test.oxygen} %.`
  return [heading('Combustion test'), cell(read), { layout: lines, table: { widths: [34, '*'], body } }]
}
