import { legPositions, linePositions } from '../../../quantity/index.ts'
import { always, cells, type CheckDefinition } from '../check-definition.ts'

/** The heart of every visit: volts and amps while it runs. Judged by the checks of the running machine. */
export const running: CheckDefinition = {
  id: 'running',
  phase: 'live',
  title: 'Volts and amps, running',
  how: 'Settled, panels on, belt tight; every pair, every leg.',
  caution:
    'Live panel: for qualified people, by local code and the site’s lockout rules. Guards on, sleeves and leads clear of the wheel; a clamp needs no hand inside.',
  for: always,
  groups(m) {
    const also = {
      title: 'Also, if read',
      asks: [
        ...cells('hz', ['motor'], ['Frequency']),
        ...cells('rpm', ['motor'], ['Motor speed']),
        // On a direct drive the fan has the speed of its motor.
        ...(m.drive === 'belt' ? cells('rpm', ['driven'], ['Fan speed']) : []),
      ],
      also: !m.hasVfd,
    }
    if (m.phases === 1)
      return [
        {
          title: 'Volts',
          asks: m.serviceVolts < 180 ? cells('volts_ln', ['L1-N']) : cells('volts_ll', ['L1-L2']),
        },
        { title: 'Amps', asks: cells('amps', ['L1']) },
        also,
      ]
    return [
      { title: 'Volts, line to line', asks: cells('volts_ll', linePositions) },
      // On the line side of a drive other amps flow.
      { title: m.hasVfd ? 'Amps, motor leads' : 'Amps', asks: cells('amps', legPositions) },
      also,
    ]
  },
  judges: [],
}
