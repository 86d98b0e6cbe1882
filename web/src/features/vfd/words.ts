import type { VfdRead } from '@motor-round/contract'
import { liveValues, type LiveValueId } from '@motor-round/core/vfd'
import { convert } from '@motor-round/core/quantity'

export type Reading = VfdRead['reading']

/** A figure of a drive with its unit; temperatures in the unit of the site. */
export function shownFigure(id: LiveValueId, value: number | null, metric: boolean): string {
  if (value === null) return 'not shown'
  const unit = liveValues.find((v) => v.id === id)?.unit ?? ''
  if (id === 'temperature')
    return metric ? `${Math.round(value)} °C` : `${Math.round(convert(value, 'degC', 'degF'))} °F`
  if (id === 'hours') return `${Math.round(value).toLocaleString('en')} h`
  const digits = id === 'bus' || id === 'volts' ? 0 : 1
  return `${value.toFixed(digits)} ${unit}`
}

/** What the drive says of itself, in one word. */
export function stateWords({ status, fault }: Reading): string {
  if (status.fault === true || fault) return 'Fault'
  if (status.warning === true) return 'Warning'
  if (status.running === true) return status.reverse === true ? 'Running, reverse' : 'Running'
  return status.running === false ? 'Stopped' : 'Not reported'
}
