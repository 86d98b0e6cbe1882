import type { Plate, PlateField } from '@motor-round/core/plate'
import { parseFigure } from '@motor-round/core/quantity'

const shares = new Set<PlateField>(['efficiency', 'powerFactor'])
const figures = new Set<PlateField>(['rpm', 'lowRpm', 'sf', 'capacitorUf', 'capacitorVolts'])

/** A cell's value as it is typed and read. */
export function readCell(plate: Plate, field: PlateField): string {
  const value = plate[field]
  if (value === undefined) return ''
  if (field === 'power') return plate.powerUnit === 'kW' ? `${value} kW` : String(value)
  return shares.has(field) && typeof value === 'number' ? `${Math.round(value * 1000) / 10}` : String(value)
}

export type Written = { readonly ok: true; readonly plate: Plate } | { readonly ok: false; readonly message: string }

function parsePower(text: string): Written | { power: number; powerUnit: 'hp' | 'kW' } {
  const unit = /(?:hp|kw)$/i.exec(text)?.[0] ?? ''
  const power = parseFigure(text.slice(0, text.length - unit.length))
  if (power === null || power <= 0)
    return { ok: false, message: `"${text}" is not a power such as 10, 1/2, 7-1/2 or 5.5 kW` }
  return { power, powerUnit: unit.toLowerCase() === 'kw' ? 'kW' : 'hp' }
}

/** Put typed text into a cell. Blank takes the value out; the mark "unreadable" goes as soon as something is typed. */
export function writeCell(plate: Plate, field: PlateField, typed: string): Written {
  const text = typed.trim()
  const { [field]: _old, unreadable, ...rest } = plate
  const left = (unreadable ?? []).filter((f) => f !== field)
  const base: Plate = { ...rest, ...(left.length > 0 ? { unreadable: left } : {}) }
  if (text === '') return { ok: true, plate: base }
  if (field === 'power') {
    const read = parsePower(text)
    return 'ok' in read ? read : { ok: true, plate: { ...base, ...read } }
  }
  if (field === 'phases') {
    if (text !== '1' && text !== '3') return { ok: false, message: 'Phases are 1 or 3' }
    return { ok: true, plate: { ...base, phases: text === '1' ? 1 : 3 } }
  }
  if (field === 'rotation') {
    const found = (['clockwise', 'counter-clockwise', 'either'] as const).find((r) => r.startsWith(text.toLowerCase()))
    return found
      ? { ok: true, plate: { ...base, rotation: found } }
      : { ok: false, message: 'clockwise, counter-clockwise or either' }
  }
  if (shares.has(field)) {
    const value = parseFigure(text.replace('%', ''))
    if (value === null || value <= 0 || value > 100)
      return { ok: false, message: `"${text}" is not a percentage such as 91.7` }
    return { ok: true, plate: { ...base, [field]: Math.round(value > 1 ? value * 10 : value * 1000) / 1000 } }
  }
  if (figures.has(field)) {
    const value = parseFigure(text)
    if (value === null || value <= 0) return { ok: false, message: `"${text}" is not a number` }
    return { ok: true, plate: { ...base, [field]: value } }
  }
  return { ok: true, plate: { ...base, [field]: text } }
}

/** Mark a cell as unreadable: known to be so, not blank. */
export function markUnreadable(plate: Plate, field: PlateField): Plate {
  const { [field]: _old, unreadable, ...rest } = plate
  return { ...rest, unreadable: [...new Set([...(unreadable ?? []), field])] }
}
