/**
 * A motor's nameplate. Figures that come in columns (volts, amps, service-factor amps) are kept as they
 * are printed, `208-230/460` beside `27.0-25.6/12.8`, and read by `readColumns`; everything else is a value.
 * A field that the sun has eaten is named in `unreadable`: that is knowledge, a blank is not.
 */
export interface Plate {
  readonly maker?: string
  readonly model?: string
  readonly serial?: string
  readonly power?: number
  readonly powerUnit?: 'hp' | 'kW'
  readonly phases?: 1 | 3
  readonly volts?: string
  readonly amps?: string
  readonly hz?: string
  readonly rpm?: number
  readonly sf?: number
  readonly sfa?: string
  readonly frame?: string
  readonly insulationClass?: string
  readonly design?: string
  readonly code?: string
  /** Fraction, 0.917 for 91.7 %. */
  readonly efficiency?: number
  /** Fraction, 0.82. */
  readonly powerFactor?: number
  readonly enclosure?: string
  readonly duty?: string
  readonly thermalProtection?: string
  readonly bearings?: string
  readonly shaft?: string
  readonly rotation?: 'clockwise' | 'counter-clockwise' | 'either'
  readonly rotationSeenFrom?: 'drive end' | 'opposite end'
  readonly capacitorUf?: number
  readonly capacitorVolts?: number
  readonly speedTaps?: string
  /** Amps at low speed of a two-speed motor, in the columns of its volts. */
  readonly lowAmps?: string
  readonly lowRpm?: number
  readonly signal?: string
  readonly unreadable?: readonly PlateField[]
}

export type PlateField = Exclude<keyof Plate, 'unreadable' | 'powerUnit' | 'rotationSeenFrom'>

/** The allowed current of the *installed* fan motor as the unit's own data plate states it. */
export interface UnitPlate {
  readonly volts: string
  readonly amps: string
}
