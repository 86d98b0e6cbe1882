// `npm run check`: the inner loop. Format and lint of what changed since the last commit, types, imports, and the unit tests it reaches.
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { changedTests, format, imports, lint, types } from './lib/gates.mjs'
import { needModules } from './lib/packages.mjs'
import { root } from './lib/paths.mjs'
import { run } from './lib/run.mjs'
import { main } from './lib/say.mjs'

async function changed() {
  const of = async (...args) => (await run('git', args, { cwd: root })).out.split('\n').filter(Boolean)
  const files = [
    ...(await of('diff', '--name-only', 'HEAD')),
    ...(await of('ls-files', '--others', '--exclude-standard')),
  ]
  return files.filter((f) => existsSync(join(root, f)))
}

main(async () => {
  await needModules()
  const files = await changed()
  const code = files.filter((f) => /\.(ts|tsx|mjs|cjs|js)$/.test(f))
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
