/** Time of one solve of the motor's circuit against the promised 0.2 ms, and of a whole rig against 1 ms. */
export async function bench(say) {
  const { circuitOfPlate, explainUnbalance, loadByCircuit, operate, solveRig } =
    await import('../core/src/machine/index.ts')
  const made = circuitOfPlate(
    { power: 10, phases: 3, rpm: 1755, efficiency: 0.902, code: 'H' },
    { volts: 460, amps: 12.8 },
    60,
  )
  if (!made) throw new Error('the plate has a circuit')
  const c = made.circuit
  const jobs = {
    'running point, uneven supply': (i) =>
      operate(c, { kind: 'three lines', lineVolts: [462 + (i % 5), 458, 471] }, 0.9),
    'line lost': (i) => operate(c, { kind: 'line open', open: 1, volts: 470 + (i % 5) }, 0.7),
    'load from amps': (i) => loadByCircuit(c, 9 + (i % 30) / 10, 472),
    'what the supply explains': (i) => explainUnbalance(c, [462, 458, 471], [13 + (i % 5) / 10, 12.1, 15.3]),
    'circuit from a plate': () =>
      circuitOfPlate({ power: 10, phases: 3, rpm: 1755, efficiency: 0.902, code: 'H' }, { volts: 460, amps: 12.8 }, 60),
  }
  const fan = { wheel: 'forward-curved', rpm: 900, flow: 5.2, pressure: 620, power: 6000 }
  const goals = { 'whole rig, every second with a slack belt': 1 }
  jobs['whole rig, every second with a slack belt'] = (i) =>
    solveRig({
      circuit: c,
      supply: { kind: 'three lines', lineVolts: [462, 458, 471] },
      hz: 60,
      belt: { driver: 4 + (i % 10) / 10, driven: 9.4, carries: i % 2 ? 20000 : 4000 },
      fan,
      system: { fixed: i % 3 ? 0 : 150, k: 620 / 5.2 ** 2 },
      density: 1,
    })
  for (const [name, job] of Object.entries(jobs)) {
    for (let i = 0; i < 500; i++) job(i)
    const began = performance.now()
    for (let i = 0; i < 2000; i++) job(i)
    const each = (performance.now() - began) / 2000
    const goal = goals[name] ?? 0.2
    say(name, `${(each * 1000).toFixed(0)} µs, ${(each / goal).toFixed(2)} of ${goal} ms`)
  }
}
