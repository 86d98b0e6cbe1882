import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { afterEach, beforeEach, expect, it } from 'vitest'
import { startPool } from './off-thread.ts'

let dir: string
beforeEach(() => void (dir = mkdtempSync(join(tmpdir(), 'motor-round-thread-'))))
afterEach(() => rmSync(dir, { recursive: true, force: true }))
const file = (text: string): string => {
  const path = join(dir, 'tasks.mjs')
  writeFileSync(path, text)
  return pathToFileURL(path).href
}

it('what waits for a thread that cannot begin fails and is told, and the process goes on', async () => {
  const why: string[] = []
  const pool = startPool(file('throw new Error("not there")'), 'files', (e) => void why.push(e.message))
  await expect(pool.run(1)).rejects.toThrow()
  expect(why).toEqual(['not there'])
})
