// `npm run mutants [folder …]`: turns one operator of core at a time and sees whether the tests notice. Never part of the
// tests. MUTANTS_SHARE (of the lines, 1 = all) and MUTANTS_SEED choose a sample; the survivors stand in .cache/mutants.
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { needModules } from './lib/packages.mjs'
import { root } from './lib/paths.mjs'
import { main, Plain } from './lib/say.mjs'
import { run } from './lib/run.mjs'

const folders = ['judge', 'electrical', 'machine', 'trend', 'speed-change', 'drivetrain', 'installed', 'round']
const goal = 85
/** Lines that are taken or left together, so that whole statements are among them. */
const block = 15
const out = join(root, '.cache/mutants')

/** Numbers between 0 and 1, the same for the same seed. */
function numbers(seed) {
  let s = seed >>> 0
  return () => {
    s = (Math.imul(s, 1_664_525) + 1_013_904_223) >>> 0
    return s / 4_294_967_296
  }
}

const sources = (folder) =>
  readdirSync(join(root, 'core/src', folder), { recursive: true })
    .map((name) => `core/src/${folder}/${name}`)
    .filter((name) => name.endsWith('.ts') && !/\.(test|test-help)\.ts$/.test(name))
    .sort()

function sampled(files, share, seed) {
  if (share >= 1) return files
  const random = numbers(seed)
  return files.flatMap((file) => {
    const lines = readFileSync(join(root, file), 'utf8').split('\n').length
    const starts = Array.from({ length: Math.ceil(lines / block) }, (_, k) => 1 + k * block)
    return starts.filter(() => random() < share).map((from) => `${file}:${from}-${from + block - 1}`)
  })
}

const settings = (mutate) => ({
  testRunner: 'vitest',
  vitest: { configFile: 'benchmarks/mutants/vitest.config.ts', related: false },
  plugins: ['@stryker-mutator/vitest-runner'],
  coverageAnalysis: 'perTest',
  ignoreStatic: true,
  // What a text says is read by people, not held by tests.
  mutator: { excludedMutations: ['StringLiteral', 'Regex'] },
  ignorePatterns: ['web', 'server', 'e2e', 'docs', 'demo', '.cache', '.data', '**/.tsc', '**/dist'],
  mutate,
  concurrency: Number(process.env.MUTANTS_WORKERS ?? 2),
  timeoutMS: 20_000,
  reporters: ['json', 'clear-text'],
  clearTextReporter: { logTests: false, reportTests: false, reportMutants: false, reportScoreTable: false },
  jsonReporter: { fileName: '.cache/mutants/report.json' },
  tempDirName: '.cache/mutants/sandbox',
  disableTypeChecks: false,
})

function lineOf(file, mutant) {
  const { line, column } = mutant.location.start
  return `${mutant.status === 'NoCoverage' ? 'unseen  ' : 'survived'} ${file}:${line}:${column} ${mutant.mutatorName} -> ${(mutant.replacement ?? '').replace(/\s+/g, ' ').slice(0, 100)}`
}

main(async () => {
  await needModules()
  const wanted = process.argv.slice(2)
  for (const name of wanted)
    if (!folders.includes(name)) throw new Plain(`No folder "${name}". Known: ${folders.join(', ')}`)
  const share = Number(process.env.MUTANTS_SHARE ?? 1)
  if (!(share > 0 && share <= 1)) throw new Plain('MUTANTS_SHARE is a number over 0 and up to 1.')
  mkdirSync(out, { recursive: true })
  const chosen = wanted.length > 0 ? wanted : folders
  const mutate = chosen.flatMap((folder) => sampled(sources(folder), share, Number(process.env.MUTANTS_SEED ?? 1)))
  writeFileSync(join(out, 'stryker.json'), JSON.stringify(settings(mutate)))
  const done = await run(
    process.execPath,
    [join(root, 'node_modules/.bin/stryker'), 'run', '.cache/mutants/stryker.json'],
    { cwd: root, echo: true },
  )
  if (done.code !== 0) throw new Plain(`The mutation run ended with ${done.code}.`)

  const report = JSON.parse(readFileSync(join(out, 'report.json'), 'utf8'))
  const left = []
  for (const folder of chosen) {
    let killed = 0
    let all = 0
    for (const [file, { mutants }] of Object.entries(report.files)) {
      if (!file.startsWith(`core/src/${folder}/`)) continue
      for (const mutant of mutants) {
        if (['Ignored', 'CompileError', 'RuntimeError'].includes(mutant.status)) continue
        all++
        if (['Killed', 'Timeout'].includes(mutant.status)) killed++
        else left.push(lineOf(file, mutant))
      }
    }
    const percent = (100 * killed) / Math.max(1, all)
    process.stdout.write(
      `${folder.padEnd(12)} ${percent.toFixed(1)} % of ${all} mutants killed (goal: ${goal} %)${percent < goal ? '  BELOW' : ''}\n`,
    )
  }
  writeFileSync(join(out, 'survivors.txt'), `${left.join('\n')}\n`)
  process.stdout.write('What survived: .cache/mutants/survivors.txt\n')
})
