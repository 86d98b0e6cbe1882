import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { builtServer, copyOf, emptyBeside } from '../scripts/lib/demo-server.mjs'

const root = join(import.meta.dirname, '..')
const demo = process.env['E2E_DATABASE'] ?? ''

const script = (name: string, args: readonly string[], env: Record<string, string>) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(root, `scripts/${name}.mjs`), ...args], {
    env: { ...process.env, ...env },
    encoding: 'utf8',
  })
  return { status, said: `${stdout}${stderr}` }
}

/** Everything that a server knows, as it gives it away. */
async function everything(url: string): Promise<string> {
  const server = await builtServer({ url })
  try {
    const signedIn = await fetch(`${server.base}/api/v1/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ login: 'vale', password: 'vale-on-the-roof' }),
    })
    const cookie = signedIn.headers.getSetCookie()[0]?.split(';')[0] ?? ''
    return await (await fetch(`${server.base}/api/v1/exports/organization.json`, { headers: { cookie } })).text()
  } finally {
    await server.end()
  }
}

test('a backup goes into an empty database and gives back the same, byte for byte; a damaged one gives nothing', async () => {
  test.setTimeout(180_000)
  const dir = mkdtempSync(join(tmpdir(), 'motor-round-backup-'))
  const [plain, secret] = [join(dir, 'plain.backup'), join(dir, 'secret.backup')]
  const passphrase = { BACKUP_PASSPHRASE: 'gravel teapot ninety fork' }
  try {
    const from = await copyOf(demo)
    const before = await everything(from)
    expect(before.length).toBeGreaterThan(100_000)
    expect(script('backup', [plain], { DATABASE_URL: from })).toMatchObject({ status: 0 })
    expect(script('backup', [secret], { DATABASE_URL: from, ...passphrase }).said).toContain('encrypted')
    expect(script('backup', [plain], { DATABASE_URL: from }).said).toContain('is there already')
    // Nothing of what people entered can be read in the encrypted one.
    expect(readFileSync(secret).includes('Quillback')).toBe(false)

    const to = await emptyBeside(demo)
    const refused = (file: string, env: Record<string, string> = {}) => {
      const { status, said } = script('restore', [file], { DATABASE_URL: to, ...env })
      expect(status).toBe(1)
      return said
    }
    const bytes = readFileSync(plain)
    const damaged = join(dir, 'damaged.backup')
    writeFileSync(
      damaged,
      Buffer.concat([bytes.subarray(0, 5000), Buffer.from([255 - (bytes[5000] ?? 0)]), bytes.subarray(5001)]),
    )
    expect(refused(damaged)).toContain('is damaged or cut short. Nothing was restored.')
    writeFileSync(damaged, bytes.subarray(0, bytes.length - 1000))
    expect(refused(damaged)).toContain('is damaged or cut short')
    writeFileSync(damaged, 'hello')
    expect(refused(damaged)).toContain('is not a backup of Motor Round')
    expect(refused(secret)).toContain('is encrypted: set BACKUP_PASSPHRASE')
    expect(refused(secret, { BACKUP_PASSPHRASE: 'another' })).toContain('not the passphrase of this backup')

    expect(script('restore', [secret], { DATABASE_URL: to, ...passphrase })).toMatchObject({ status: 0 })
    expect((await everything(to)) === before).toBe(true)
    expect(refused(plain)).toContain('The database is not empty')
    const second = await emptyBeside(demo)
    expect(script('restore', [plain], { DATABASE_URL: second })).toMatchObject({ status: 0 })
    expect((await everything(second)) === before).toBe(true)
  } finally {
    rmSync(dir, { recursive: true, force: true })
  }
})
