import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseFigure } from '@motor-round/core/quantity'
import ts from 'typescript'
import { describe, expect, it } from 'vitest'

const root = fileURLToPath(new URL('../../../', import.meta.url))
const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((e) => {
    const path = join(folder, e.name)
    if (e.isDirectory()) return sources(path)
    return /\.tsx?$/.test(e.name) && !/\.test/.test(e.name) ? [path] : []
  })

/** Every regular expression that is written in a file. */
function patternsOf(file: string): RegExp[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true)
  const found: RegExp[] = []
  const visit = (node: ts.Node): void => {
    if (node.kind === ts.SyntaxKind.RegularExpressionLiteral) {
      const text = node.getText(source)
      const end = text.lastIndexOf('/')
      // A pattern that goes on where it stopped is asked once, like any other.
      found.push(new RegExp(text.slice(1, end), text.slice(end + 1).replace(/[gy]/g, '')))
    }
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found
}

const length = 40_000
const pumps = [
  '1',
  'a',
  'A',
  ' ',
  '-',
  '.',
  ',',
  '"',
  '\n',
  '/',
  '1.',
  '1 ',
  'a ',
  '1-',
  'a,',
  'e',
  'x',
  '{',
  '0/',
  'é',
  '\\',
]
const tails = ['', '!', '\u0000', '/', '=']
/** What goes with the square of the length takes seconds here; what goes with the length, a millisecond. */
const seconds = 1.5

describe('no text holds up the others, however long it is', () => {
  const files = ['contract/src', 'core/src', 'server/src', 'web/src'].flatMap((f) => sources(join(root, f)))
  it('finds the patterns', () => expect(files.flatMap(patternsOf).length).toBeGreaterThan(60))
  it('no pattern goes back and forth over it', () => {
    const slow: string[] = []
    for (const file of files)
      for (const pattern of patternsOf(file))
        for (const pump of pumps)
          for (const tail of tails) {
            const text = pump.repeat(length / pump.length) + tail
            const took = () => {
              const from = performance.now()
              pattern.test(text)
              return performance.now() - from
            }
            // A busy machine may stand still during one look, a slow pattern is slow every time.
            if (took() > seconds * 1000 && took() > seconds * 1000 && took() > seconds * 1000)
              slow.push(`${file.slice(root.length)} ${String(pattern)} ${pump}`)
          }
    expect(slow).toEqual([])
  }, 300_000)
  it('a figure of a million digits is none', () => {
    for (const text of ['9'.repeat(1e6), `${'9'.repeat(1e6)}x`, `${' '.repeat(1e6)}1/`, '1,'.repeat(5e5)])
      expect(parseFigure(text)).toBeNull()
    expect(['13.6', '13,6', '.5', '5.', '-2e3', '7-1/2', '1 1/2', '−4'].map((t) => parseFigure(t))).toEqual([
      13.6, 13.6, 0.5, 5, -2000, 7.5, 1.5, -4,
    ])
  })
})
