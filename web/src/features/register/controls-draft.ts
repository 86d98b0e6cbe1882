import type { Machine } from '@motor-round/contract'
import { convert, parseFigure } from '@motor-round/core/quantity'
import { shownDegrees } from '../../app/shown-units.ts'

type Controls = Machine['controls']

/** Controls as they are chosen and typed. Empty: not known. */
export interface ControlsDraft {
  readonly starter: NonNullable<Controls['starter']> | ''
  readonly poles: '' | '1' | '2' | '3'
  readonly overload: NonNullable<Controls['overload']> | ''
  readonly protection: NonNullable<Controls['protection']> | ''
  readonly protectionAmps: string
  readonly controlVolts: string
  readonly transformerIn: string
  readonly transformerOut: string
  readonly gasSection: boolean
  /** Per cent, and the degrees of the site. */
  readonly burnerOxygenLow: string
  readonly burnerOxygenHigh: string
  readonly burnerStackLow: string
  readonly burnerStackHigh: string
  readonly phaseMonitor: boolean
  readonly capacitorRun: string
  readonly capacitorSecond: string
  readonly capacitorVolts: string
  /** Per cent. */
  readonly capacitorTolerance: string
}

export const blankControls: ControlsDraft = {
  starter: '',
  poles: '',
  overload: '',
  protection: '',
  protectionAmps: '',
  controlVolts: '',
  transformerIn: '',
  transformerOut: '',
  gasSection: false,
  burnerOxygenLow: '',
  burnerOxygenHigh: '',
  burnerStackLow: '',
  burnerStackHigh: '',
  phaseMonitor: false,
  capacitorRun: '',
  capacitorSecond: '',
  capacitorVolts: '',
  capacitorTolerance: '',
}

const text = (v: number | null | undefined) => (v == null ? '' : String(v))

const stackText = (f: number | null | undefined, scale: Scale) => (f == null ? '' : text(shownDegrees(f, scale)))
/** What was typed, in °F as it is kept. */
const keptDegrees = (typed: number | null, scale: Scale) =>
  typed === null || typed === -1 || scale === 'F' ? typed : Number(convert(typed, 'degC', 'degF').toFixed(1))
type Scale = 'F' | 'C'

export const controlsDraftOf = (c: Controls, scale: Scale): ControlsDraft => ({
  starter: c.starter ?? '',
  poles: c.poles === null ? '' : (String(c.poles) as '1' | '2' | '3'),
  overload: c.overload ?? '',
  protection: c.protection ?? '',
  protectionAmps: text(c.protectionAmps),
  controlVolts: text(c.controlVolts),
  transformerIn: text(c.transformer?.ratedIn),
  transformerOut: text(c.transformer?.ratedOut),
  gasSection: c.gasSection,
  burnerOxygenLow: text(c.burner?.oxygenLow),
  burnerOxygenHigh: text(c.burner?.oxygenHigh),
  burnerStackLow: stackText(c.burner?.stackLow, scale),
  burnerStackHigh: stackText(c.burner?.stackHigh, scale),
  phaseMonitor: c.phaseMonitor,
  capacitorRun: text(c.capacitor?.run),
  capacitorSecond: text(c.capacitor?.second),
  capacitorVolts: text(c.capacitor?.volts),
  capacitorTolerance: c.capacitor?.tolerance == null ? '' : text(Math.round(c.capacitor.tolerance * 1000) / 10),
})

const figure = (t: string): number | null => (t.trim() === '' ? null : (parseFigure(t) ?? -1))
const chosen = <T extends string>(v: T | ''): T | null => (v === '' ? null : v)

/** The controls as the server takes them. What is typed and no figure becomes −1, which the server refuses at its field. */
export function controlsOf(d: ControlsDraft, scale: Scale): Controls {
  const run = figure(d.capacitorRun)
  const into = figure(d.transformerIn)
  const out = figure(d.transformerOut)
  const tolerance = figure(d.capacitorTolerance)
  const burner = {
    oxygenLow: figure(d.burnerOxygenLow),
    oxygenHigh: figure(d.burnerOxygenHigh),
    stackLow: keptDegrees(figure(d.burnerStackLow), scale),
    stackHigh: keptDegrees(figure(d.burnerStackHigh), scale),
  }
  return {
    starter: chosen(d.starter),
    poles: d.poles === '' ? null : (Number(d.poles) as 1 | 2 | 3),
    overload: chosen(d.overload),
    protection: chosen(d.protection),
    protectionAmps: figure(d.protectionAmps),
    controlVolts: figure(d.controlVolts),
    transformer: into === null && out === null ? null : { ratedIn: into ?? -1, ratedOut: out ?? -1 },
    gasSection: d.gasSection,
    ...(d.gasSection && Object.values(burner).some((v) => v !== null) ? { burner } : {}),
    phaseMonitor: d.phaseMonitor,
    capacitor:
      run === null
        ? null
        : {
            run,
            second: figure(d.capacitorSecond),
            volts: figure(d.capacitorVolts),
            tolerance: tolerance === null ? null : tolerance / 100,
          },
  }
}
