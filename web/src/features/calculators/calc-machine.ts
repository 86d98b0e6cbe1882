import { speaking, type MachinePage } from '@motor-round/contract'
import type { CalcMachine } from '@motor-round/core/calc'
import { allowedCurrent, supplyHertz } from '@motor-round/core/plate'
import { allThree, legPositions, linePositions } from '@motor-round/core/quantity'
import { valuesAt } from '@motor-round/core/trend'

/** What the calculators take from a machine: plate, column in use, and what was read last. */
export function calcMachine(page: MachinePage): CalcMachine {
  const { machine, motor } = page
  const plate = motor?.plate ?? null
  const allowed = allowedCurrent(plate, null, machine.serviceVolts, motor?.connectionVolts ?? undefined)
  const visit = speaking(page)
  return {
    phases: machine.phases,
    serviceVolts: machine.serviceVolts,
    hz: supplyHertz(machine.serviceVolts, plate?.hz, page.site.hertz),
    plate,
    columnVolts: allowed?.columnVolts ?? null,
    plateAmps: allowed?.amps ?? null,
    lineVolts: visit ? allThree(valuesAt(visit.readings, 'volts_ll', linePositions)) : null,
    lineAmps: visit ? allThree(valuesAt(visit.readings, 'amps', legPositions)) : null,
  }
}
