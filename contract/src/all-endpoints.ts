import { accountEndpoints } from './account-endpoints.ts'
import { endpoints } from './endpoints.ts'
import { fileEndpoints } from './file-endpoints.ts'
import { jobEndpoints } from './job-endpoints.ts'
import { liveEndpoints } from './live-endpoints.ts'
import { mailEndpoints } from './mail-endpoints.ts'
import { portfolioEndpoints } from './portfolio.ts'
import { stockEndpoints } from './stock-endpoints.ts'
import { tableEndpoints } from './table-endpoints.ts'
import { vfdEndpoints } from './vfd-endpoints.ts'

/** Every address of the API: also of what is on pages of its own, which a browser loads when they are opened. */
export const allEndpoints = {
  ...endpoints,
  ...accountEndpoints,
  ...jobEndpoints,
  ...stockEndpoints,
  ...tableEndpoints,
  ...fileEndpoints,
  ...mailEndpoints,
  ...portfolioEndpoints,
  ...vfdEndpoints,
  ...liveEndpoints,
}
