import { randomUUID } from 'node:crypto'
import { createWriteStream, mkdtempSync, openAsBlob, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { once } from 'node:events'
import { demoServer } from '../scripts/lib/demo-server.mjs'
import { run } from '../scripts/lib/run.mjs'
import { lead } from './client.mjs'

const machines = 500
const rows = 1_000_000
const columns = 'site,unit,machine,taken_at,quantity,position,value,unit_of_measure,by,settled,note'

/** The machine list of this measurement: one site, 500 machines. */
function registerFile() {
  const lines = ['site,site_zone,area,unit,machine,phases,service_volts,volts,amps']
  for (let m = 0; m < machines; m++) lines.push(`Bench,UTC,Roof,RTU-${m},SF,3,480,460,12.8`)
  return lines.join('\n')
}

/** A million rows, machine by machine in time, as a logger writes them. */
async function readingsFile(path) {
  const out = createWriteStream(path)
  out.write(`${columns}\n`)
  const start = Date.UTC(2025, 0, 1)
  const visits = Math.ceil(rows / machines / 6)
  let n = 0
  for (let m = 0; m < machines && n < rows; m++) {
    let text = ''
    for (let s = 0; s < visits && n < rows; s++) {
      const at = new Date(start + s * 86_400_000 + m * 1000).toISOString()
      for (const [q, p, v, u] of [
        ['volts_ll', 'L1-L2', 478 + (s % 3), 'V'],
        ['volts_ll', 'L2-L3', 479, 'V'],
        ['volts_ll', 'L3-L1', 477 + (s % 2), 'V'],
        ['amps', 'L1', (10.5 + (s % 7) / 50).toFixed(2), 'A'],
        ['amps', 'L2', (10.6 + (s % 5) / 50).toFixed(2), 'A'],
        ['amps', 'L3', (10.4 + (s % 3) / 50).toFixed(2), 'A'],
      ]) {
        if (n++ >= rows) break
        text += `Bench,RTU-${m},SF,${at},${q},${p},${v},${u},logger,yes,\n`
      }
    }
    if (!out.write(text)) await once(out, 'drain')
  }
  out.end()
  await once(out, 'finish')
}

/** Import of a million rows, every row checked, against COPY of the same file into a table of the same key. */
export async function bench(say) {
  const dir = mkdtempSync(join(tmpdir(), 'motor-round-bench-'))
  const file = join(dir, 'readings.csv')
  await readingsFile(file)
  const { base, url, end } = await demoServer({ durable: true, env: { DEMO: 'yes' } })
  try {
    const psql = async (sql) => {
      const done = await run('psql', ['-X', '-q', '-At', '-v', 'ON_ERROR_STOP=1', url, '-c', sql], { cwd: '/' })
      if (done.code !== 0) throw new Error(done.out)
      return done.out.trim()
    }
    const copy = async (name) => {
      await psql(`drop table if exists ${name}`)
      await psql(`create table ${name} (site text, unit text, machine text, taken_at timestamptz, quantity text, position text,
        value double precision, unit_of_measure text, by text, settled boolean, note text,
        primary key (site, unit, machine, taken_at, quantity, position))`)
      const began = performance.now()
      await psql(`\\copy ${name} from '${file}' with (format csv, header true)`)
      return (performance.now() - began) / 1000
    }
    const { call } = await lead(base)
    const register = await call('POST', `/imports?kind=register&id=${randomUUID()}`, registerFile())
    await call('POST', `/imports/${register.id}/keep`)
    await psql('checkpoint')
    const copied = await copy('bench_copy')
    await psql('drop table bench_copy')
    await psql('checkpoint')
    const size = statSync(file).size
    let began = performance.now()
    const checked = await call(
      'POST',
      `/imports?kind=readings&id=${randomUUID()}&size=${size}&name=bench`,
      await openAsBlob(file),
    )
    const checking = (performance.now() - began) / 1000
    if (checked.status !== 'ready' || checked.rows !== rows) throw new Error(JSON.stringify(checked))
    began = performance.now()
    const kept = await call('POST', `/imports/${checked.id}/keep`)
    const keeping = (performance.now() - began) / 1000
    if (kept.added !== rows) throw new Error(JSON.stringify(kept))
    began = performance.now()
    const again = await call('POST', `/imports?kind=readings&id=${randomUUID()}&name=again`, await openAsBlob(file))
    if (again.already !== rows) throw new Error(JSON.stringify(again))
    say('file', `${rows.toLocaleString('en')} rows, ${(size / 1e6).toFixed(0)} MB`)
    say('COPY of the file into a table of the same key', `${copied.toFixed(1)} s`)
    say('import: checked (all rows) + kept (facts, judged again)', `${checking.toFixed(1)} + ${keeping.toFixed(1)} s`)
    say('rate against COPY (goal: at least 0.5)', (copied / (checking + keeping)).toFixed(2))
    say('the same file again, all found to be there', `${((performance.now() - began) / 1000).toFixed(1)} s`)
  } finally {
    await end()
    rmSync(dir, { recursive: true, force: true })
  }
}
