import { practice, sitePolicy, type Limit } from './limit.ts'

// What a building's own instruments show, minute by minute.

export const liveStarts: Limit = {
  id: 'live-starts',
  title: 'Live data, starts in an hour at most',
  value: 6,
  unit: 'count',
  basis: practice('common practice for small and medium motors; the motor manual governs'),
  house: { min: 2, max: 30 },
  means: 'More starts cook the winding, pull the belts and burn the contacts.',
}

export const liveIdle: Limit = {
  id: 'live-minutes-wrong',
  title: 'Live data, minutes a day that it may run or stand against its call or its off hours',
  value: 15,
  unit: 'min',
  basis: sitePolicy('a quarter of an hour a day is somebody at work'),
  house: { min: 1, max: 240 },
  means: 'More is a contactor stuck in, a switch left in Hand, an override or a fan that does not start.',
}

export const liveCreep: Limit = {
  id: 'live-creep',
  title: 'Live data, amps above what they were at equal Hz',
  value: 0.1,
  unit: 'ratio',
  basis: practice('winter air is up to a tenth heavier than summer air; more than that is a change of the machine'),
  house: { min: 0.03, max: 0.3 },
  means: 'A bearing that drags, belts too tight, a changed sheave, or a wheel that moves more air.',
}

export const liveNoAir: Limit = {
  id: 'live-no-air',
  title: 'Live data, amps below what they were at equal Hz',
  value: 0.25,
  unit: 'ratio',
  basis: practice('a motor without its load keeps its no-load amps, a third to a half of the nameplate'),
  house: { min: 0.1, max: 0.5 },
  means: 'The motor turns and the fan moves little air: belt gone or slipping, or the air path is shut.',
}

export const liveDisagrees: Limit = {
  id: 'live-disagrees',
  title: 'Live data, difference from the clamp at a visit',
  value: 0.1,
  unit: 'ratio',
  basis: practice('clamp and sensor of 2 to 5 % each'),
  house: { min: 0.03, max: 0.3 },
  means: 'One of the two is wrong: clamp, sensor, its ratio, or the place where they read.',
}
