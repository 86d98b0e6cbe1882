import { clampOffSensor, whereTheyDisagree } from '@motor-round/core/live'
import { limitInForce, type Policies } from '@motor-round/core/limits'
import { mean, show, type Reading } from '@motor-round/core/quantity'
import { valueOf } from '@motor-round/core/trend'
import { clockTime } from '../../app/dates.ts'
import { liveApi } from '../../app/live-api.ts'
import { useClock } from '../../app/now.ts'

const askEveryMs = 60_000
/** What is older says nothing of a clamp that is read now. */
const freshMs = 10 * 60_000

interface Props {
  readonly machineId: string
  readonly hasVfd: boolean
  /** How many there are to clamp. */
  readonly legs: number
  readonly readings: readonly Reading[]
  readonly policies: Policies
}

/** What the building's sensor shows while the clamp is on: a clamp on the wrong lead is seen before it is taken off. */
export function SensorNow({ machineId, hasVfd, legs, readings, policies }: Props) {
  const clock = useClock()
  const live = liveApi.useLiveNowQuery({ params: { id: machineId } }, { pollingInterval: askEveryMs }).data
  const amps = live?.now.amps
  if (!live || live.last === null || amps === undefined || clock() - Date.parse(live.last) > freshMs) return null
  const hz = live.now.hz
  const read = readings.filter((r) => r.quantity === 'amps').map((r) => r.value)
  const clamp = read.length < legs ? null : mean(read)
  const off = clamp === null ? null : clampOffSensor({ amps: clamp, hz: valueOf(readings, 'hz') }, { amps, hz })
  const shows = [`${show.amps(amps)} A`, ...(hz === undefined ? [] : [`${hz.toFixed(1)} Hz`])].join(', ')
  return clamp !== null && off !== null && off > limitInForce('live-disagrees', policies).value ? (
    <p className="note tone-watch" role="status">
      Clamp {show.amps(clamp)} A, live sensor {shows}. {whereTheyDisagree(hasVfd)}
    </p>
  ) : (
    <p className="quiet" role="status">
      Live sensor: {shows} at {clockTime(live.last)}
      {off === null ? '' : '. The clamp agrees.'}
    </p>
  )
}
