import type { Context } from '../../judge/index.ts'
import type { Reader } from './figures.ts'

/** One question of the visit page that answers a test word by word. */
const asked =
  (question: string, words: Readonly<Record<string, string>>): Reader =>
  (c) =>
    words[c.answer(question) ?? ''] ?? null

const bound = ['tight', 'stops at once', 'seized']
const drive: Readonly<Record<string, string>> = {
  'over-current-start': 'over-current',
  'over-current': 'over-current',
  'over-voltage': 'over-volts',
  'under-voltage': 'under-volts',
  ground: 'ground',
  'input-phase': 'in-phase',
  'output-phase': 'out-phase',
  hot: 'hot',
  'motor-overload': 'overload',
  interlock: 'ref',
  reference: 'ref',
}

const turning: Reader = (c) => {
  const seen = c.answer('rotation.seen')
  if (seen === 'right way') return 'right'
  if (seen === 'wrong way') return 'back'
  return c.visit.state.turning === 'right way' ? 'right' : c.visit.state.turning === 'backwards' ? 'back' : null
}

const terminals: Reader = (c) => {
  const [lugs, wires] = [c.answer('lugs'), c.answer('wires')]
  if (wires === 'through') return 'cut'
  if (lugs === 'loose' || lugs === 'burnt') return 'loose'
  if (wires === 'chafed') return 'chafed'
  return lugs === 'tight' && wires === 'whole' ? 'tight' : null
}

const wheel: Reader = (c) => {
  const is = (question: string, ...words: readonly string[]) => words.includes(c.answer(question) ?? '')
  if (is('wheel.hand', 'backward')) return 'backward'
  if (is('wheel.blades', 'clips', 'bent', 'cracked')) return 'bad'
  if (is('wheel.gap', 'rubs')) return 'rubs'
  if (is('wheel.dirt', 'caked')) return 'caked'
  return is('wheel.blades', 'whole') && is('wheel.hand', 'right') && is('wheel.dirt', 'clean', 'dusty') ? 'fine' : null
}

const locks: Reader = (c) => {
  if (c.answer('hub.stand') === 'moved' || c.answer('key.torque') === 'loose' || c.answer('key.length') === 'missing')
    return 'hub'
  if (c.answer('bearing.lock') === 'loose') return 'collar'
  return c.answer('bearing.lock') === 'tight' && ['twice', 'once'].includes(c.answer('key.torque') ?? '')
    ? 'tight'
    : null
}

const bearings: Reader = (c) => {
  const read = [c.answer('bearing.de'), c.answer('bearing.ode')].filter((a) => a !== undefined)
  if (read.length === 2 && read.every((a) => a === 'quiet')) return 'quiet'
  // With a belt off it is not entered whose bearing it was; on a direct drive there are only the motor's.
  return c.machine.drive === 'direct' && read.some((a) => a !== 'quiet') ? 'motor' : null
}

const split: Reader = (c) => {
  const [motor, fan] = [c.answer('spin.motor'), c.answer('spin.fan')]
  if (motor !== undefined && bound.includes(motor)) return 'motor'
  if (fan !== undefined && bound.includes(fan)) return 'fan'
  return motor !== undefined && fan !== undefined ? 'free' : null
}

const started = (c: Context): string | null => {
  const turned = c.answer('start.turned')
  if (turned === 'no') return 'no-turn'
  if (turned === 'some') return 'creeps'
  const seconds = c.value('start_seconds', 'start')
  if (turned !== 'yes' || seconds === undefined) return null
  return seconds > 2 && c.machine.phases === 1 ? 'creeps' : 'brisk'
}

/** By test: what answers of a visit say in it. */
export const answerReaders: Readonly<Record<string, Reader>> = {
  'see-call': asked('look.call', { yes: 'yes', no: 'no' }),
  'see-fan': asked('look.running', { runs: 'runs', still: 'still', hums: 'hums', 'runs though off': 'runs-off' }),
  'see-turn': turning,
  smell: asked('look.smell', { none: 'none', 'burnt winding': 'winding', 'hot belt': 'belt' }),
  breaker: asked('look.breaker', { closed: 'closed', tripped: 'tripped', 'fuse blown': 'fuse', 'found open': 'open' }),
  'vfd-code': (c) => {
    const shown = c.answer('drive.display')
    if (shown === 'run' || shown === 'dark') return shown
    return drive[c.answer('drive.family') ?? ''] ?? null
  },
  params: asked('drive.settings', { match: 'match', off: 'off', changed: 'off' }),
  swap: asked('drive.swap-says', { motor: 'motor', drive: 'drive', neither: 'neither' }),
  spin: asked('spin.all', {
    free: 'free',
    rough: 'rough',
    tight: 'tight',
    'stops at once': 'tight',
    seized: 'seized',
  }),
  split,
  'belt-look': asked('belt.wear', {
    sound: 'sound',
    glazed: 'worn',
    cracked: 'worn',
    frayed: 'worn',
    gone: 'gone',
  }),
  tension: asked('belt.tension', { right: 'right', slack: 'slack', drum: 'drum' }),
  align: (c) =>
    c.answer('belt.line') === 'off' || c.answer('belt.grooves') === 'dished'
      ? 'off'
      : c.answer('belt.line') === 'in'
        ? 'in'
        : null,
  'brg-hand': bearings,
  wheel,
  locks,
  terminals,
  'phase-meter': asked('rotation.meter', { 'L1-L2-L3': 'ok', 'L3-L2-L1': 'rev' }),
  start: started,
  filters: (c) => {
    const { filters } = c.visit.state
    return filters === 'dirty' ? 'loaded' : filters
  },
}
