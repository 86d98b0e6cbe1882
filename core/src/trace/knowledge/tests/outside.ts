import { testsAt } from '../test.ts'

/** From outside, powered: guards on. Each result with the per cent of unrelated faults that show it. */
export const outsideTests = testsAt('outside', (test) => [
  test('call-wait', 'Call it and wait', {
    how: 'Give it a call, stand clear, and wait out the longest delay in the controls.',
    minutes: 8,
    needs: ['powered'],
    misread: 5,
    results: { starts: [60, 'It starts'], no: [40, 'It does not start'] },
  }),
  test('temps', 'Shell and bearing temperatures', {
    how: 'Point the thermometer at the motor shell and at both bearings.',
    minutes: 3,
    misread: 6,
    results: {
      ok: [75, 'Both normal'],
      shell: [17, 'Motor shell too hot'],
      bearing: [8, 'Bearing above 200 °F (95 °C)'],
    },
  }),
  test('static', 'Static pressure and amps', {
    how: 'Read static pressure and amps and compare both with the last visit.',
    minutes: 6,
    needs: ['running'],
    misread: 8,
    results: {
      same: [60, 'As before'],
      restriction: [15, 'Pressure up, amps down'],
      opening: [6, 'Pressure down, amps up'],
      faster: [6, 'Both up'],
      slower: [13, 'Both down'],
    },
  }),
  test('profile', 'Pressure drop element by element', {
    how: 'Read the pressure drop over the filter, the coil and the dampers, one after the other.',
    minutes: 10,
    needs: ['running'],
    misread: 6,
    results: {
      normal: [78, 'All normal'],
      filter: [9, 'Filter above 1 in wg (250 Pa)'],
      path: [7, 'Coil, grille or duct'],
      damper: [6, 'Damper'],
    },
  }),
  test('head', 'Head pressure', {
    how: 'Have a licensed technician read the head pressure.',
    minutes: 10,
    needs: ['powered'],
    misread: 6,
    results: { normal: [85, 'Normal'], low: [8, 'Low'], high: [7, 'High'] },
  }),
  test('test-start', 'Test mode', {
    how: 'Guards on, people clear: start it once in test mode.',
    minutes: 4,
    needs: ['powered'],
    misread: 4,
    results: {
      starts: [62, 'Starts'],
      hums: [8, 'Hums'],
      trips: [8, 'Trips'],
      nothing: [18, 'Nothing happens'],
      back: [4, 'Turns backward'],
    },
  }),
  test('run-trip', 'Run it until it stops', {
    how: 'Let it run under a logging clamp until it stops.',
    minutes: 60,
    needs: ['running'],
    misread: 8,
    results: {
      keeps: [76, 'Keeps running'],
      heat: [12, 'Stopped hot at normal amps'],
      amps: [12, 'Stopped on high amps'],
    },
  }),
  test('open-door', 'Open a building door', {
    how: 'Open an outside door of the building and watch the exhaust fan.',
    minutes: 2,
    needs: ['running'],
    misread: 10,
    results: { same: [92, 'No change'], better: [8, 'The fan moves more air'] },
  }),
])
