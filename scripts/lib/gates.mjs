// What `npm test` and `npm run check` hold the code against, apart from its tests.
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { lastLines } from './failures.mjs'
import { root } from './paths.mjs'
import { run } from './run.mjs'

const node = process.execPath
export const bin = (name) => join(root, 'node_modules/.bin', name)

/** A gate passes or fails as a whole and counts as one. @param refuse reads the output: a reason to fail, or null */
async function gate(name, command, args, refuse = () => null) {
  const started = Date.now()
  const done = await run(command, args, { cwd: root })
  const wrong = done.code !== 0 ? `exit ${done.code}` : refuse(done.out)
  process.stdout.write(`${wrong ? 'FAILED' : 'ok'}  ${name}  ${((Date.now() - started) / 1000).toFixed(0)} s\n`)
  if (wrong) process.stdout.write(`${done.out.trim()}\n${wrong}\n`)
  return wrong ? { passed: 0, failed: 1, told: [lastLines(done.out, 12)] } : { passed: 1, failed: 0 }
}

/** What differs from the last commit and is still there. */
export async function changed() {
  const of = async (...args) => (await run('git', args, { cwd: root })).out.split('\n').filter(Boolean)
  const files = [
    ...(await of('diff', '--name-only', 'HEAD')),
    ...(await of('ls-files', '--others', '--exclude-standard')),
  ]
  return files.filter((f) => existsSync(join(root, f)))
}
export const isCode = (file) => /\.(ts|tsx|mjs|cjs|js)$/.test(file)

/** @param files to look at; all unless some are given */
export const format = (files = ['.']) =>
  gate('format', node, [bin('prettier'), '--check', '--ignore-unknown', '--log-level', 'warn', ...files])
export const lint = (files = ['.']) =>
  gate('lint', node, [
    bin('eslint'),
    '--max-warnings',
    '0',
    '--no-warn-ignored',
    '--cache',
    '--cache-location',
    '.cache/eslint',
    ...files,
  ])
// The compiler of version 7 checks in a quarter of the time; lint and the import rules need the API of version 6.
export const types = () => gate('types', node, [join(root, 'node_modules/ts7/bin/tsc'), '-b'])
export const imports = () =>
  gate('imports', node, [bin('depcruise'), 'core', 'contract', 'demo', 'server', 'web'], (out) =>
    // A cruiser that finds no modules is green and worthless.
    /no dependency violations found \((\d{3,}) modules/.test(out) ? null : 'too few modules were looked at',
  )
/** The unit tests that a change can reach. */
export const changedTests = () =>
  gate('unit tests of what changed', node, [
    bin('vitest'),
    'run',
    '--project',
    'unit',
    '--project',
    'dom',
    '--changed',
    '--passWithNoTests',
    '--reporter=dot',
  ])
