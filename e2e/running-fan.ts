import { waveFile } from './plucked-span.ts'

/** Sound of a running fan as a wave file: its blades, the rush of air and the hum of the supply; invented. */
export function runningFan(rpm: number, blades: number): Buffer {
  const hz = (rpm * blades) / 60
  let rush = 0
  let noise = 1
  return waveFile(6, (t) => {
    noise = (noise * 16_807) % 2_147_483_647
    rush = 0.97 * rush + (noise / 1_073_741_823 - 1)
    return (
      0.25 * Math.sin(2 * Math.PI * hz * t) +
      0.1 * Math.sin(4 * Math.PI * hz * t) +
      0.1 * Math.sin(2 * Math.PI * 120 * t) +
      0.02 * rush
    )
  })
}
