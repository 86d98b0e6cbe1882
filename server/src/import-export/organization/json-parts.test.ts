import { describe, expect, it } from 'vitest'
import { jsonParts, type Part } from './json-parts.ts'

/** A text in pieces of so many bytes. */
async function* pieces(text: string | Uint8Array, size: number): AsyncGenerator<Uint8Array> {
  const all = typeof text === 'string' ? new TextEncoder().encode(text) : text
  for (let i = 0; i < all.length; i += size) yield await Promise.resolve(all.subarray(i, i + size))
}
async function partsOf(text: string | Uint8Array, size = 7): Promise<Part[]> {
  const out: Part[] = []
  for await (const part of jsonParts(pieces(text, size))) out.push(part)
  return out
}
/** The object that the parts are of. */
function together(parts: readonly Part[]): unknown {
  const out: Record<string, unknown> = {}
  for (const p of parts) {
    if (p.kind === 'value') out[p.key] = p.value
    else if (p.kind === 'list') out[p.key] = []
    else (out[p.key] as unknown[])[p.n] = p.value
  }
  return out
}

const file = {
  name: 'A house with “quotes” \\ and \n lines, Bücher, 🌀',
  version: -1.5e-3,
  none: null,
  yes: true,
  limits: { a: { b: [1, [2, { c: [] }]] }, '': {} },
  empty: [],
  scalars: ['x', 1, null, false],
  things: [{ id: 'é', deep: { list: [{}, [], [[1]]] } }, [], { list: 'a string with ] } , : in it' }],
}

describe('a JSON object read in parts', () => {
  it.each([1, 2, 3, 5, 64, 1e6])('is what it is as a whole, in pieces of %i bytes', async (size) => {
    for (const text of [JSON.stringify(file), JSON.stringify(file, null, 2), `\uFEFF ${JSON.stringify(file)} \n `])
      expect(together(await partsOf(text, size))).toEqual(file)
  })
  it('gives the items of a list one by one, in their order, after the list itself', async () => {
    const parts = await partsOf('{"a":[1,{"b":[2]}],"c":[]}')
    expect(parts).toEqual([
      { key: 'a', kind: 'list' },
      { key: 'a', kind: 'item', n: 0, value: 1 },
      { key: 'a', kind: 'item', n: 1, value: { b: [2] } },
      { key: 'c', kind: 'list' },
    ])
  })
  it.each([
    ['', 1],
    ['{', 1],
    ['{"a":1', 1],
    ['{"a":1}x', 1],
    ['{"a":1}{}', 1],
    ['[1]', 1],
    ['7', 1],
    ['{"a":1,}', 1],
    ['{"a":[1,]}', 1],
    ['{"a":[,1]}', 1],
    ['{"a":[1 2]}', 1],
    ['{a:1}', 1],
    ['{"a" 1}', 1],
    ['{"a":}', 1],
    ['{"a":1 "b":2}', 1],
    ['{"a":[1}', 1],
    ['{"a":{"b":[1}]}', 1],
    ['{"a":tru}', 1],
    ['{"a":01}', 1],
    ['{"a":"\t"}', 1],
    ['{\n "format": \n oops', 3],
    ['{"a":[\n1,\n2,\n}', 4],
  ])('%j is none, told on line %i', async (text, line) => {
    for (const size of [1, 100]) {
      await expect(partsOf(text, size)).rejects.toMatchObject({ line, message: 'The file is not JSON.' })
      expect(() => JSON.parse(text) as unknown).toSatisfy((parse: () => unknown) => {
        try {
          const value = parse()
          // What is JSON and no object is no file of ours.
          return typeof value !== 'object' || Array.isArray(value)
        } catch {
          return true
        }
      })
    }
  })
  it('a file of other letters is told as such', async () => {
    await expect(partsOf(Uint8Array.from([0x7b, 0x22, 0xff, 0x22]))).rejects.toMatchObject({
      message: 'The file is not UTF-8 text.',
    })
    // Half a letter at the end.
    await expect(partsOf(Uint8Array.from([0x7b, 0x22, 0xc3]))).rejects.toMatchObject({ message: /not UTF-8/ })
  })
  it('a name that every object has is a name like others', async () => {
    const [part] = await partsOf('{"a":{"__proto__":{"x":1},"constructor":2}}')
    expect(JSON.stringify(part?.kind === 'value' ? part.value : null)).toBe('{"__proto__":{"x":1},"constructor":2}')
    expect(({} as { x?: number }).x).toBeUndefined()
  })
  it('a record nested without end, or larger than any of ours, is refused before it is held', async () => {
    await expect(partsOf(`{"a":[${'['.repeat(50_000)}`, 4096)).rejects.toMatchObject({
      message: /larger or nested deeper/,
    })
    await expect(partsOf(`{"a":["${'x'.repeat(34 * 1024 * 1024)}`, 1 << 20)).rejects.toMatchObject({
      message: /larger or nested deeper/,
    })
  })
})
