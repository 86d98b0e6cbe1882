import { peopleEndpoints } from './people-endpoints.ts'
import { registerEndpoints } from './register-endpoints.ts'
import { visitEndpoints } from './visit-endpoints.ts'
import { policyEndpoints } from './policy-endpoints.ts'
import { fileEndpoints } from './file-endpoints.ts'
import { jobEndpoints } from './job-endpoints.ts'
import { portfolioEndpoints } from './portfolio.ts'
import { tableEndpoints } from './table-endpoints.ts'
import { stockEndpoints } from './stock-endpoints.ts'
import { roundEndpoints } from './round-endpoints.ts'

/** Every address of the API, by its feature. */
export const endpoints = {
  ...peopleEndpoints,
  ...registerEndpoints,
  ...visitEndpoints,
  ...policyEndpoints,
  ...fileEndpoints,
  ...roundEndpoints,
  ...jobEndpoints,
  ...stockEndpoints,
  ...tableEndpoints,
  ...portfolioEndpoints,
}
