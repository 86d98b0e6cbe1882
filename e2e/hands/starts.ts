import type { Page } from '@playwright/test'

interface Known {
  readonly rows: readonly { machineId: string }[]
  readonly jobs: readonly { id: string; machineId: string }[]
  readonly areas: readonly { id: string }[]
}

/** Every address there is, of every machine, round, job and area. */
export async function startsOf(page: Page): Promise<string[]> {
  const get = async <T>(path: string) => (await (await page.request.get(`/api/v1${path}`)).json()) as T
  const [{ rows }, rounds, { jobs }, { areas }] = await Promise.all([
    get<Known>('/machines?limit=500'),
    get<{ id: string }[]>('/rounds'),
    get<Known>('/jobs'),
    get<Known>('/places'),
  ])
  // As many of each kind as there are kinds of one machine, so that none is rare.
  return [
    ...rows.flatMap(({ machineId }) =>
      ['', '/visit', '/trace', '/drive', '/edit', '/motor', '/wiring', '/vfd', '/vfd/sheet', '/live', '/jobs/new'].map(
        (end) => `/machines/${machineId}${end}`,
      ),
    ),
    ...rows.map(({ machineId }) => `/speed-change?machine=${machineId}`),
    ...rounds.flatMap(({ id }) => ['', '/walk', '/prepare'].map((end) => `/rounds/${id}${end}`)),
    ...jobs.map((j) => `/machines/${j.machineId}/jobs/${j.id}`),
    ...areas.flatMap(({ id }) => [`/areas/${id}/map`, `/areas/${id}/air`, `/tags?area=${id}`]),
    ...Array.from({ length: 12 }, () => [
      ...[
        '/machines',
        '/machines/new',
        '/places',
        '/rounds',
        '/rounds/new',
        '/calculators',
        '/speed-change',
        '/limits',
      ],
      ...['/stock', '/reports', '/jobs', '/live', '/import-export', '/start', '/account', '/keys', '/phone'],
    ]).flat(),
  ]
}
