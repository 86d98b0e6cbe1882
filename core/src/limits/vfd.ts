import { practice, standard, type Limit } from './limit.ts'

// Variable-frequency drives and their settings.

const manual = practice('common practice for fans on a drive; the drive and motor manuals govern')

export const vfdRampShort: Limit = {
  id: 'vfd-ramp-short',
  title: 'Drive, acceleration and deceleration time not below',
  value: 10,
  unit: 's',
  basis: manual,
  house: { min: 2, max: 60 },
  means: 'Shorter trips on over-current at the start, or on bus volts at the stop.',
}

export const vfdRampLong: Limit = {
  id: 'vfd-ramp-long',
  title: 'Drive, acceleration and deceleration time not above',
  value: 180,
  unit: 's',
  basis: manual,
  house: { min: 60, max: 900 },
  means: 'Longer looks like a fan that does not start or stop.',
}

export const vfdHzLow: Limit = {
  id: 'vfd-hz-low',
  title: 'Drive, lowest frequency not below',
  value: 10,
  unit: 'Hz',
  basis: practice('common practice: 6 to 20 Hz for fans with enclosed motors'),
  house: { min: 3, max: 30 },
  means: 'Below it the motor’s own fan hardly cools it.',
}

export const vfdHzOver: Limit = {
  id: 'vfd-hz-over',
  title: 'Drive, output frequency of the nameplate’s, fix above',
  value: 1.05,
  unit: 'ratio',
  basis: practice('common practice: over the nameplate’s frequency only where wheel, shaft and motor are good for it'),
  house: { min: 1, max: 1.25 },
  means: 'The fan asks for more power than at the nameplate’s frequency, and its wheel turns faster.',
}

export const vfdHzMost: Limit = {
  id: 'vfd-hz-most',
  title: 'Drive, output frequency of the nameplate’s, stop above',
  value: 1.5,
  unit: 'ratio',
  basis: standard('NEMA MG 1 12.52: overspeed in an emergency, 25 to 50 % over by size and speed', 'from memory'),
  house: null,
  means: 'No such motor is built to turn faster, not even for a moment.',
}

export const vfdCarrierHigh: Limit = {
  id: 'vfd-carrier-high',
  title: 'Drive, carrier frequency not above',
  value: 8,
  unit: 'kHz',
  basis: practice('common practice: 2 to 4 kHz for long leads, 8 and more only where noise asks for it'),
  house: { min: 2, max: 16 },
  means: 'Higher heats the drive and drives current through the bearings.',
}

export const vfdRestarts: Limit = {
  id: 'vfd-restarts',
  title: 'Drive, restarts by itself at most',
  value: 3,
  unit: 'count',
  basis: manual,
  house: { min: 0, max: 10 },
  means: 'Each start onto a fault burns more.',
}

export const vfdClass: Limit = {
  id: 'vfd-class',
  title: 'Drive, overload class at most',
  value: 20,
  unit: 'count',
  basis: practice('common practice: class 10 or 20 for fans'),
  house: { min: 10, max: 30 },
  means: 'A higher class lets a stalled motor hang for longer.',
}

export const vfdBusLow: Limit = {
  id: 'vfd-bus-low',
  title: 'Drive, bus volts while it runs not below, of what the line gives',
  value: 0.9,
  unit: 'ratio',
  basis: practice('rectified line: 1.35 times line volts under load, 1.41 without'),
  house: null,
  means: 'The feed sags, or an input phase is missing.',
}

export const vfdBusHigh: Limit = {
  id: 'vfd-bus-high',
  title: 'Drive, bus volts while it runs not above, of what the line gives',
  value: 1.12,
  unit: 'ratio',
  basis: practice('rectified line: 1.35 times line volts under load, 1.41 without'),
  house: null,
  means: 'The line is high, or the fan drives the motor.',
}

export const vfdVoltsHigh: Limit = {
  id: 'vfd-volts-high',
  title: 'Drive, output volts not above, of what the nameplate gives at these hertz',
  value: 1.1,
  unit: 'ratio',
  basis: standard('NEMA MG 1 §12.44: 10 % above or below the nameplate'),
  house: { min: 1.02, max: 1.1 },
  means: 'The iron saturates and the winding overheats, at any amps.',
}

export const vfdVoltsMost: Limit = {
  id: 'vfd-volts-most',
  title: 'Drive, output volts never above, of what the nameplate gives at these hertz',
  value: 1.3,
  unit: 'ratio',
  basis: practice('a drive set for another voltage gives 1.7 to 2 times the volts'),
  house: null,
  means: 'The drive is set for another motor, or its leads are connected for other volts.',
}

export const vfdVoltsLow: Limit = {
  id: 'vfd-volts-low',
  title: 'Drive, output volts at full speed not below, of the nameplate',
  value: 0.9,
  unit: 'ratio',
  basis: standard('NEMA MG 1 §12.44: 10 % above or below the nameplate'),
  house: { min: 0.85, max: 0.98 },
  means: 'The same air takes more amps.',
}

export const vfdLugsAgain: Limit = {
  id: 'vfd-lugs-again',
  title: 'Drive, days after which new lugs are torqued again',
  value: 30,
  unit: 'days',
  basis: manual,
  house: { min: 7, max: 180 },
  means: 'New conductors settle: a lug that was tight works loose and burns.',
}
