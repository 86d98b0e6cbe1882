import type { OrganizationFile } from '@motor-round/contract'
import { demoLive } from '@motor-round/demo'
import type { Tx } from '../db/client.ts'
import { keepMinutes } from './keep.ts'
import { sumUpDue } from './pass.ts'

/** Keep the live data of the demo, and sum it up. */
export async function keepDemoLive(tx: Tx, file: OrganizationFile, now: Date): Promise<void> {
  await keepMinutes(tx, demoLive(file, now.getTime()), now)
  while ((await sumUpDue(tx, now)) > 0);
}
