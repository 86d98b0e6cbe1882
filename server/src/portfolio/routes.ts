import { portfolioEndpoints } from '@motor-round/contract'
import { asc, eq } from 'drizzle-orm'
import type { Router } from 'express'
import { sites } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { sendFile } from '../http/send-file.ts'
import { fillSoon } from './level-days.ts'
import { portfolioPdf } from './pdf.ts'
import { portfolioOf } from './portfolio.ts'

/** A quarter in figures for the office. */
export function portfolioRoutes(router: Router, deps: Deps): void {
  mount(router, deps, portfolioEndpoints.portfolio, ({ query }) => {
    fillSoon(deps)
    return portfolioOf(deps, query)
  })
  mount(router, deps, portfolioEndpoints.portfolioPdf, async ({ query, res }) => {
    const [site] = await deps.db
      .select({ paper: sites.paper })
      .from(sites)
      .where(query.site === undefined ? undefined : eq(sites.id, query.site))
      .orderBy(asc(sites.name))
      .limit(1)
    return sendFile(
      res,
      'application/pdf',
      'quarter.pdf',
      await portfolioPdf(await portfolioOf(deps, query), site?.paper ?? 'letter'),
    )
  })
}
