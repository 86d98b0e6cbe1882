// One cluster for a run of the end-to-end tests, with the demo in a database that each file's server gets a copy of.
import { builtServer, throwawayCluster } from './lib/demo-server.mjs'

export default async function setup() {
  const { url, end } = await throwawayCluster()
  const server = await builtServer({ url })
  await server.end()
  process.env.E2E_DATABASE = url
  return end
}
