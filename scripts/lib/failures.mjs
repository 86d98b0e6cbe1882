// What failed, from the reports that the test runners write: name and reason, to be told again at the end.
import { stripVTControlCharacters } from 'node:util'
import { relative } from 'node:path'
import { root } from './paths.mjs'

// A test out of time has no message of its own; where inside of the runner it failed helps nobody.
const lines = (text) =>
  stripVTControlCharacters(text)
    .replace('Error: STACK_TRACE_ERROR', 'out of time, or stopped')
    .trim()
    .split('\n')
    .filter((line) => !/node_modules|node:internal/.test(line))
export const firstLines = (text, n) => lines(text).slice(0, n).join('\n        ')
export const lastLines = (text, n) => lines(text).slice(-n).join('\n        ')

/** @param report Vitest's JSON. @returns {string[]} a line a failed test, or a file that could not be read */
export function failedTests(report) {
  return report.testResults.flatMap((file) => {
    const place = relative(root, file.name)
    if (file.status === 'failed' && file.assertionResults.length === 0)
      return [`${place}: ${firstLines(file.message, 6)}`]
    return file.assertionResults
      .filter((t) => t.status === 'failed')
      .map((t) => `${place}  ${t.fullName}: ${firstLines(t.failureMessages.join('\n'), 6)}`)
  })
}

/** @param report Playwright's JSON. @returns {string[]} a line a failed walk, or an error outside of all */
export function failedWalks(report) {
  const specs = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specs)]
  const walks = report.suites.flatMap(specs).filter((s) => !s.ok)
  return [
    ...walks.map((s) => {
      const errors = s.tests.flatMap((t) => t.results.flatMap((r) => r.errors.map((e) => e.message ?? '')))
      return `${s.file}:${s.line}  ${s.title}: ${firstLines(errors[0] ?? '', 6)}`
    }),
    ...report.errors.map((e) => firstLines(e.message ?? '', 6)),
  ]
}
