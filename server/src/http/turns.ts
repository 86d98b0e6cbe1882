import type { Endpoint } from '@motor-round/contract'
import type { Response } from 'express'
import { HttpProblem } from './problem.ts'

interface Heavy {
  /** What it is called. */
  readonly what: string
  /** How many of these one person may have running on one server. */
  readonly most: number
}
const files: Heavy = { what: 'downloads', most: 3 }
const imports: Heavy = { what: 'imports', most: 2 }
const plans: Heavy = { what: 'plans', most: 2 }
const counts: Heavy = { what: 'reports', most: 3 }

/** What takes long, by endpoint. */
const heavy: Readonly<Partial<Record<string, Heavy>>> = {
  exportReadings: files,
  exportRegister: files,
  exportOrganization: files,
  machineTable: files,
  roundReport: files,
  roundRecordPdf: files,
  roundRecordCsv: files,
  roundRecordJson: files,
  startImport: imports,
  keepImport: imports,
  sendLiveFile: imports,
  makeRound: plans,
  replanRound: plans,
  portfolio: counts,
  portfolioPdf: counts,
  policiesEffect: counts,
}

const running = new Map<string, number>()

/**
 * Take a person's turn at something heavy, until it is answered or given up: nobody keeps a server to themselves.
 * @throws HttpProblem 429 where that person has as many running as they may
 */
export function takeTurn(endpoint: Pick<Endpoint, 'id'>, personId: string, res: Response): void {
  const own = heavy[endpoint.id]
  if (!own) return
  const key = `${personId} ${own.what}`
  const n = running.get(key) ?? 0
  if (n >= own.most) {
    res.set('retry-after', '5')
    throw new HttpProblem(429, `You have ${n} ${own.what} running. Wait until one is done.`)
  }
  running.set(key, n + 1)
  res.once('close', () => {
    const left = (running.get(key) ?? 1) - 1
    if (left > 0) running.set(key, left)
    else running.delete(key)
  })
}
