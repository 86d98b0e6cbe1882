// `npm test`: everything, from a fresh clone. Ends with one line `N passed, N failed`.
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { bin, changed, format, imports, isCode, lint, types } from './lib/gates.mjs'
import { chromium, needBuild, needChromium, needModules, needPostgres } from './lib/packages.mjs'
import { root } from './lib/paths.mjs'
import { failedTests, failedWalks } from './lib/failures.mjs'
import { run } from './lib/run.mjs'
import { main, Plain } from './lib/say.mjs'

const node = process.execPath
const reports = join(root, '.cache/reports')

function report(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'))
  } catch {
    return null
  }
}

/** A run that failed with every test passed counts as one failure: an error between the tests, which the run has printed. */
function counted(code, passed, failed, told) {
  if (failed > 0 || code === 0) return { passed, failed, told }
  return {
    passed,
    failed: 1,
    told: [`exit ${code} with every test passed: see "Unhandled" or "Error" in what it printed`],
  }
}

async function vitest() {
  const file = join(reports, 'vitest.json')
  const done = await run(
    node,
    [bin('vitest'), 'run', '--reporter=dot', '--reporter=json', `--outputFile.json=${file}`],
    { cwd: root, echo: true },
  )
  const r = report(file)
  if (!r) return { passed: 0, failed: 1, told: ['no report: the run itself ended early'] }
  const failed =
    r.numFailedTests + r.testResults.filter((t) => t.status === 'failed' && t.assertionResults.length === 0).length
  return counted(done.code, r.numPassedTests, failed, failedTests(r))
}

async function playwright() {
  const file = join(reports, 'playwright.json')
  const env = { ...process.env, E2E_REPORT: file, CHROMIUM: chromium() }
  const done = await run(node, [bin('playwright'), 'test'], { cwd: root, echo: true, env })
  const r = report(file)
  if (!r) return { passed: 0, failed: 1, told: ['no report: the run itself ended early'] }
  const failed = r.stats.unexpected + r.errors.length
  return counted(done.code, r.stats.expected + r.stats.flaky, failed, failedWalks(r))
}

/** All of it in CI, elsewhere what differs from the last commit: that was linted before it was made. */
async function lintGate() {
  if (process.env.CI) return lint()
  const files = (await changed()).filter(isCode)
  return files.length > 0 ? lint(files) : { passed: 0, failed: 0 }
}

main(async () => {
  const only = new Set(process.argv.slice(2))
  const wants = (name) => only.size === 0 || only.has(name)
  await needModules()
  await needPostgres()
  if (wants('e2e')) await needChromium()
  rmSync(reports, { recursive: true, force: true })
  mkdirSync(reports, { recursive: true })
  const gates = {
    format: () => format(),
    types,
    lint: lintGate,
    imports,
    unit: vitest,
    // Made while lint still has the other processor; counts as nothing of its own.
    build: async () => {
      await needBuild()
      return { passed: 0, failed: 0 }
    },
    e2e: async () => {
      await needBuild()
      return playwright()
    },
  }
  // Each round waits for the one before. Of a round two run side by side, one a processor, the longest first: who is through takes the next.
  const rounds = [['lint', 'types', 'format', 'imports', 'build'], ['unit'], ['e2e']]
  let passed = 0
  let failed = 0
  const told = []
  const walk = async (left) => {
    for (let name = left.shift(); name !== undefined; name = left.shift()) {
      const result = await gates[name]().catch((e) => {
        if (!(e instanceof Plain)) throw e
        process.stdout.write(`FAILED  ${name}: ${e.message}\n`)
        return { passed: 0, failed: 1, told: [e.message] }
      })
      passed += result.passed
      failed += result.failed
      if (result.failed > 0)
        told.push(...(result.told ?? ['as printed above']).map((line) => `FAILED  ${name}  ${line}`))
    }
  }
  for (const round of rounds) {
    const left = round.filter(wants)
    await Promise.all([walk(left), walk(left)])
  }
  // Again at the end: whoever sees the last lines alone sees what to mend.
  if (told.length > 0) process.stdout.write(`\n${told.join('\n')}\n`)
  process.stdout.write(`\n${passed} passed, ${failed} failed\n`)
  process.exit(failed > 0 || passed === 0 ? 1 : 0)
})
