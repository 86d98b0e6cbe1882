import { testsAt } from '../test.ts'

/** Beside a running fan, guards on. Each result with the per cent of unrelated faults that show it. */
export const besideTests = testsAt('beside it running', (test) => [
  test('rpm', 'Speed', {
    how: 'Tachometer on motor and fan against nameplate, sheaves and Hz.',
    minutes: 3,
    needs: ['running'],
    misread: 6,
    results: {
      right: [78, 'Within 3 %'],
      slip: [10, 'Fan below its sheave ratio'],
      fast: [5, 'Faster'],
      slow: [7, 'Motor slow'],
    },
  }),
  test('vib', 'Vibration', {
    how: 'From outside, guards on: velocity and the frequency that dominates.',
    minutes: 5,
    needs: ['running'],
    misread: 8,
    results: {
      ok: [76, 'In limits'],
      fan1x: [14, 'At fan speed'],
      motor1x: [5, 'At motor speed'],
      belt: [5, 'At belt frequency'],
    },
  }),
])
