/** What was predicted of opening a sheave by half a turn. Invented. */
export const predicted = {
  was: 12.6,
  amps: 12.1,
  low: 11.6,
  high: 12.6,
  fanRpm: 690,
  fanRpmNow: 705,
  airShare: 0.98,
  center: 414.5,
  newBelt: null,
}
