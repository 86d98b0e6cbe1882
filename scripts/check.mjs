// `npm run check`: the inner loop. Format and lint of what changed since the last commit, types, imports, and the unit tests it reaches.
import { changed, changedTests, format, imports, isCode, lint, types } from './lib/gates.mjs'
import { needModules } from './lib/packages.mjs'
import { main } from './lib/say.mjs'

main(async () => {
  await needModules()
  const files = await changed()
  const code = files.filter(isCode)
  const lanes = [
    [...(files.length > 0 ? [() => format(files)] : []), ...(code.length > 0 ? [() => lint(code)] : []), imports],
    [types, changedTests],
  ]
  let failed = 0
  const walk = async (lane) => {
    for (const gate of lane) failed += (await gate()).failed
  }
  await Promise.all(lanes.map(walk))
  process.stdout.write(failed === 0 ? '\nIn order.\n' : `\n${failed} failed\n`)
  process.exit(failed > 0 ? 1 : 0)
})
