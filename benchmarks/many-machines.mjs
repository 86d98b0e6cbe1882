import { run } from '../scripts/lib/run.mjs'

/** A statement to the database of a measurement. @returns what it answers, as text */
export const psqlAt = (url) => async (sql) => {
  const done = await run('psql', ['-X', '-q', '-At', '-v', 'ON_ERROR_STOP=1', url, '-c', sql], { cwd: '/' })
  if (done.code !== 0) throw new Error(done.out)
  return done.out.trim()
}

/** Machines of the demo over and over, with its judgements, until there are so many: what is shown of them is as varied as in life. */
export async function fillMachines(psql, machines) {
  const there = Number(await psql('select count(*) from machines'))
  await psql(`
    create temp table n as select g as i, gen_random_uuid() as unit_id, gen_random_uuid() as machine_id from generate_series(${there + 1}, ${machines}) g;
    create temp table src as select m.*, u.area_id, u.kind, row_number() over () - 1 as k from machines m join units u on u.id = m.unit_id where u.model_line <> 'bench';
    insert into units (id, site_id, area_id, tag, kind, model_line) select n.unit_id, s.site_id, s.area_id, 'RTU-' || (100 + n.i), s.kind, 'bench' from n join src s on s.k = n.i % 64;
    insert into machines (id, site_id, unit_id, tag, purpose, phases, service_volts, drive, has_vfd, has_twin, unit_plate)
      select n.machine_id, s.site_id, n.unit_id, s.tag, s.purpose, s.phases, s.service_volts, s.drive, s.has_vfd, s.has_twin, s.unit_plate from n join src s on s.k = n.i % 64;
    insert into machine_states (machine_id, site_id, area_id, sort_key, words, need, level, headline, load, seen_at, due_at, shown)
      select n.machine_id, x.site_id, x.area_id, 'rtu-' || lpad(n.i::text, 8, '0'), 'rtu-' || (100 + n.i) || ' ' || x.words, x.need, x.level, x.headline, x.load, x.seen_at, x.due_at,
        (x.shown::jsonb || jsonb_build_object('machineId', n.machine_id, 'unitTag', 'RTU-' || (100 + n.i)))::text
      from n join src s on s.k = n.i % 64 join machine_states x on x.machine_id = s.id;
    analyze`)
  // As it is swept by itself within a minute.
  await psql('vacuum machine_states')
}
