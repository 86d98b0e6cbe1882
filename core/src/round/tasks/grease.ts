import { greaseInterval, type GreaseConditions } from '../../drivetrain/index.ts'
import { hoursADay as hoursByLive } from '../../live/index.ts'
import { driveAt, partAt, unknownLayout } from '../../installed/index.ts'
import { lastDone, lastRead, type DueFacts, type TaskKind } from '../task.ts'

/** Hours a day a fan runs where nothing says. @source common practice */
const dayAndNight = 24
/** Grease ages in a bearing that stands, too: no longer than two years. @source common practice */
const most = 730

const bearing = (f: DueFacts) => partAt(f.parts, 'bearing-de', f.now)

function conditions(f: DueFacts): GreaseConditions {
  const heat = Math.max(
    ...(lastRead(f, 'temperature')?.readings ?? [])
      .filter((r) => r.quantity === 'temperature' && r.position.startsWith('bearing'))
      .map((r) => r.value),
    -99,
  )
  const shaking = Math.max(
    ...(lastRead(f, 'vibration')?.readings ?? []).filter((r) => r.quantity === 'vibration').map((r) => r.value),
    0,
  )
  return {
    type: bearing(f)?.type === 'roller' ? 'spherical roller' : 'ball',
    heat: heat > 93 ? 'over 93 °C' : heat > 80 ? '80 to 93 °C' : heat > 65 ? '65 to 80 °C' : 'under 65 °C',
    dirt: 'light',
    wet: f.indoors ? 'dry' : 'humid',
    vibration: shaking > 0.4 ? 'rough' : shaking > 0.2 ? 'moderate' : 'smooth',
    shaft: 'horizontal',
  }
}

/** Grease by hours, bore and speed; a sealed bearing takes none. */
export const greaseTask: TaskKind = {
  id: 'grease',
  title: 'Grease',
  scope: 'drive',
  minutes: 10,
  people: 1,
  visitsUnit: false,
  locksOut: false,
  for: (f) => bearing(f)?.greasable === true && bearing(f)?.bore != null && f.motorRpm !== null,
  wanted(f) {
    const fitted = bearing(f)
    const drive = driveAt(f.parts, f.work, f.layout ?? unknownLayout, f.now)
    const rpm = (f.motorRpm ?? 1750) * (drive ? drive.driver / drive.driven : 1)
    const { hours } = greaseInterval(fitted?.bore ?? 25, rpm, conditions(f))
    const own = hoursByLive(f.live)
    const perDay = own?.perDay ?? dayAndNight
    const days = Math.min(most, Math.max(7, Math.round(hours / Math.max(perDay, 0.1))))
    return {
      lastAt: lastDone(f, 'greased', 'bearings-renewed'),
      days,
      because: `${Math.round(hours)} h of a ${Math.round(fitted?.bore ?? 25)} mm bearing at ${Math.round(rpm)} rpm${own ? `, ${perDay.toFixed(1)} h a day by live data` : ''}`,
      pulls: [],
      push: null,
    }
  },
}
