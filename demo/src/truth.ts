/** What was planted where, and what the judge must say of it. A machine that is not named here is healthy. */
export interface Story {
  readonly id: string
  /** `unit/section`, unique over the demo. */
  readonly machine: string
  readonly tells: string
  /** The check that must find it, and how bad it must be told at least. */
  readonly check: string
  readonly level: 'watch' | 'fix' | 'stop'
  /** Told in words at one visit: its readings are those of a healthy machine. */
  readonly inWords?: true
  /** Shown by live data alone: visits know nothing of it. */
  readonly live?: true
}

export const truth: readonly Story[] = [
  {
    id: 'lost-leg',
    machine: 'EF-7/EF',
    tells: 'A fuse blew before the last visit: L1 carries nothing, L2 and L3 carry it all.',
    check: 'lost-leg',
    level: 'stop',
  },
  {
    id: 'sheave-closed',
    machine: 'AHU-2/SF',
    tells: 'The motor sheave was closed one turn eleven weeks ago: a few percent over the plate since.',
    check: 'over-amp',
    level: 'fix',
  },
  {
    id: 'loose-lug',
    machine: 'RTU-11/SF',
    tells: 'A lug works loose: one leg falls behind the others on a balanced supply.',
    check: 'current-unbalance',
    level: 'watch',
  },
  {
    id: 'belt-slips',
    machine: 'RTU-4/SF',
    tells: 'The belt began to slip between the last two visits; nothing is recorded.',
    check: 'change',
    level: 'watch',
  },
  {
    id: 'bearing-drags',
    machine: 'MAU-1/SF',
    tells: 'A bearing drags a little more every month; the plate is a few months off.',
    check: 'trend',
    level: 'watch',
  },
  {
    id: 'filter-wall',
    machine: 'AHU-5/SF',
    tells: 'Filters left in for a year: a forward-curved wheel takes less and less.',
    check: 'change',
    level: 'watch',
  },
  {
    id: 'twin-off',
    machine: 'RTU-31/SF-1',
    tells: 'The twin fan was off at the last visit, so this one moved all the air.',
    check: 'conditions',
    level: 'watch',
  },
  {
    id: 'supply-unbalance',
    machine: 'EF-16/EF',
    tells: 'A tap on the gift hall board burns: one line sags by a few percent.',
    check: 'voltage-unbalance',
    level: 'watch',
  },
  {
    id: 'substitute',
    machine: 'EF-24/EF',
    tells: 'A temporary motor of the next smaller size was installed in spring; its own nameplate is the limit now.',
    check: 'over-amp',
    level: 'fix',
  },
  {
    id: 'unit-plate',
    machine: 'RTU-32/SF',
    tells: 'The unit plate allows less than the motor plate; the motor alone would look fine.',
    check: 'over-amp',
    level: 'fix',
  },
  {
    id: 'sun-bleached',
    machine: 'EF-12/EF',
    tells: 'The amps on the plate cannot be read any more.',
    check: 'no-plate',
    level: 'watch',
  },
  {
    id: 'low-volts',
    machine: 'RTU-5/SF',
    tells: 'A 230 V motor on the crew house 208 V: below its window at every peak hour.',
    check: 'service-voltage',
    level: 'fix',
  },
  {
    id: 'winding-wet',
    machine: 'EF-15/EF',
    tells: 'The pump hall fan’s winding takes up salt water: above every floor still, a fraction of two years ago.',
    check: 'insulation-trend',
    level: 'watch',
  },
  {
    id: 'capacitor-fades',
    machine: 'EF-17/EF',
    tells: 'The cloakroom fan’s capacitor loses a few percent a year.',
    check: 'capacitor',
    level: 'fix',
  },
  {
    id: 'wrong-capacitor',
    machine: 'FCU-1/SF',
    tells: 'The old motor’s 10 µF capacitor was kept for a motor that calls for 7.5.',
    check: 'capacitor-fits',
    level: 'fix',
  },
  {
    id: 'single-pole',
    machine: 'CU-41/CF-2',
    tells: 'A three-phase condenser fan was switched by a contactor of one pole in a hurry: two legs stay hot.',
    check: 'contactor-kind',
    level: 'watch',
  },
  {
    id: 'no-overload',
    machine: 'EF-26/EF',
    tells: 'A three-phase exhaust fan on a bare contactor: nothing opens when it is overloaded.',
    check: 'overload-missing',
    level: 'fix',
  },
  {
    id: 'damper-shut',
    machine: 'RTU-42/SF',
    tells: 'A damper linkage slipped last winter: less air and fewer amps ever since, and nothing recorded.',
    check: 'change',
    level: 'watch',
  },
  {
    id: 'vibration-grows',
    machine: 'EF-11/EF',
    tells: 'The quarantine exhaust shakes a little more every year; over the alarm now.',
    check: 'vibration',
    level: 'fix',
  },
  {
    id: 'wheel-backward',
    machine: 'MAU-4/SF',
    tells: 'A new wheel went in the wrong way round six weeks ago: it moves some air on far fewer amps.',
    check: 'after-work',
    level: 'fix',
  },
  {
    id: 'wheel-too-fast',
    machine: 'AHU-8/SF',
    tells: 'The drying hall fan was geared for more air than its wheel is made for.',
    check: 'wheel-speed',
    level: 'fix',
  },
  {
    id: 'belts-drum',
    machine: 'MAU-3/SF',
    tells: 'Belts tensioned until they sang: twice the pull, an eighth of the bearing life.',
    check: 'belt-tension',
    level: 'fix',
  },
  {
    id: 'sheave-askew',
    machine: 'EF-5/EF',
    tells: 'The motor is skewed since its bracket was moved.',
    check: 'alignment',
    level: 'fix',
  },
  {
    id: 'wheel-dirty',
    machine: 'EF-1/EF',
    tells: 'Galley grease cakes the wheel: less air, a few amps fewer each year.',
    check: 'wheel',
    level: 'watch',
  },
  {
    id: 'short-cycles',
    machine: 'EF-16/EF',
    tells: 'For some days the kitchen exhaust drops out every few minutes at noon: live data counts the starts.',
    check: 'live-starts',
    level: 'watch',
    live: true,
  },
  {
    id: 'override',
    machine: 'EF-12/EF',
    tells: 'Somebody left an override in: the fan runs through its off hours.',
    check: 'live-off-hours',
    level: 'watch',
    live: true,
  },
  {
    id: 'smells-burnt',
    machine: 'EF-13/EF',
    tells: 'Some months ago somebody smelled a burnt winding and tested nothing; plain visits since.',
    check: 'smell',
    level: 'watch',
    inWords: true,
  },
  {
    id: 'wire-through',
    machine: 'EF-14/EF',
    tells: 'A wire worn to the copper was seen and taped; plain visits since, nothing repaired.',
    check: 'terminals',
    level: 'fix',
    inWords: true,
  },
  {
    id: 'cut-out-off',
    machine: 'MAU-5/SF',
    tells: 'A roll-out lead of the gas section was found off and is not entered as restored.',
    check: 'gas-section',
    level: 'fix',
    inWords: true,
  },
]

export const storyOf = (machine: string): Story | undefined => truth.find((s) => s.machine === machine)
