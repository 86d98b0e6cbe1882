// `npm run texts [part of a path …]`: every text that a person can read, with its place, one a line: screens, verdicts,
// limits, calculators, problems of the server, reports, the demo. For reading them all in one sitting.
import { readFileSync } from 'node:fs'
import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { needModules } from './lib/packages.mjs'
import { root } from './lib/paths.mjs'
import { main } from './lib/say.mjs'

/** Attributes and calls whose strings are for machines. */
const machineAttributes = new Set([
  'className',
  'id',
  'to',
  'path',
  'type',
  'role',
  'href',
  'name',
  'htmlFor',
  'key',
  'inputMode',
  'autoComplete',
  'data-testid',
  'accept',
  'rel',
  'target',
  'd',
  'viewBox',
  'points',
  'fill',
  'stroke',
  'transform',
])
const machineCalls =
  /^(import|require|test|it|describe|expect|querySelector\w*|getPropertyValue|addEventListener|setAttribute|classList|sql|eq|matchMedia|set|get|has|includes|startsWith|split|replace|fetch|createElement)$/

/** Prose has a space between words, or is a word that begins with a capital. */
const prose = (text) => /[A-Za-z’']{2,}[,.:;]? [A-Za-z(“]/.test(text) || /^[A-Z][a-z]{2,}( |$|…)/.test(text)

async function textsOf(ts, file) {
  const source = ts.createSourceFile(
    file,
    readFileSync(join(root, file), 'utf8'),
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  )
  const found = []
  const add = (node, text) => {
    const plain = text.replace(/\s+/g, ' ').trim()
    if (prose(plain)) found.push([source.getLineAndCharacterOfPosition(node.getStart()).line + 1, plain])
  }
  const walk = (node) => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return
    if (ts.isJsxAttribute(node) && machineAttributes.has(node.name.getText())) return
    if (ts.isCallExpression(node)) {
      const name = ts.isPropertyAccessExpression(node.expression)
        ? node.expression.name.text
        : node.expression.getText()
      if (machineCalls.test(name)) {
        node.arguments.filter((a) => !ts.isStringLiteralLike(a)).forEach(walk)
        walk(node.expression)
        return
      }
    }
    if (ts.isJsxText(node)) add(node, node.text)
    else if (ts.isStringLiteralLike(node)) add(node, node.text)
    else if (ts.isTemplateExpression(node)) {
      add(node, [node.head.text, ...node.templateSpans.flatMap((s) => ['{…}', s.literal.text])].join(''))
      node.templateSpans.forEach((s) => walk(s.expression))
      return
    }
    ts.forEachChild(node, walk)
  }
  walk(source)
  return found
}

main(async () => {
  await needModules()
  const ts = (await import('typescript')).default
  const wanted = process.argv.slice(2)
  const files = execFileSync('git', ['ls-files', '--', '*.ts', '*.tsx'], { cwd: root, encoding: 'utf8' })
    .split('\n')
    .filter((f) => /^(core|contract|web|server|demo)\/src\//.test(f) && !/\.(test|test-help)\.tsx?$|\/test\//.test(f))
    .filter((f) => wanted.length === 0 || wanted.some((w) => f.includes(w)))
  let count = 0
  for (const file of files)
    for (const [line, text] of await textsOf(ts, file)) {
      count += 1
      process.stdout.write(`${file}:${line}\t${text}\n`)
    }
  process.stdout.write(`${count} texts\n`)
})
