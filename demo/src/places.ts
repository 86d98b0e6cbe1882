/** The invented operator's three sites. One line a machine: unit, section, what it does, size (hp, at 400 V kW), options. */
export interface MachineSpec {
  readonly unit: string
  readonly kind: 'RTU' | 'AHU' | 'MAU' | 'EF' | 'FCU' | 'condenser'
  readonly tag: string
  readonly purpose: string
  readonly size: number
  readonly phases: 1 | 3
  readonly drive: 'belt' | 'direct'
  readonly twin: boolean
  readonly vfd: boolean
}
export interface AreaSpec {
  readonly name: string
  readonly kind: 'roof' | 'room'
  readonly service: number
  readonly machines: readonly MachineSpec[]
}
export interface SiteSpec {
  readonly name: string
  readonly zone: string
  readonly areas: readonly AreaSpec[]
}

/** `AHU-1 SF 10 Departures hall supply, west` with marks: d direct, 1 single-phase, s has a twin fan, v variable speed. */
function m(text: string): MachineSpec {
  const [unit = '', tag = '', size = '', marks = '', ...words] = text.split(' ')
  const kind = (['RTU', 'AHU', 'MAU', 'EF', 'FCU'] as const).find((k) => unit.startsWith(k)) ?? 'condenser'
  return {
    unit,
    kind,
    tag,
    size: Number(size),
    phases: marks.includes('1') ? 1 : 3,
    drive: marks.includes('d') ? 'direct' : 'belt',
    twin: marks.includes('s'),
    vfd: marks.includes('v'),
    purpose: words.join(' '),
  }
}

export const siteSpecs: readonly SiteSpec[] = [
  {
    name: 'Quillback Passage Ferry Terminal',
    zone: 'America/Halifax',
    areas: [
      {
        name: 'Departures hall roof',
        kind: 'roof',
        service: 480,
        machines: [
          m('AHU-1 SF 10 - Departures hall supply, west'),
          m('AHU-1 RF 5 - Departures hall return, west'),
          m('AHU-2 SF 10 - Departures hall supply, east'),
          m('AHU-2 RF 5 - Departures hall return, east'),
          m('RTU-11 SF 5 - Ticket hall supply'),
          m('RTU-12 SF 5 - Baggage supply'),
          m('RTU-13 SF-1 7.5 s Waiting gallery supply, left wheel'),
          m('RTU-13 SF-2 7.5 s Waiting gallery supply, right wheel'),
          m('MAU-1 SF 7.5 - Galley make-up air'),
          m('EF-1 EF 3 - Galley exhaust'),
          m('EF-2 EF 1 - Washrooms exhaust'),
          m('EF-3 EF 1.5 v Gangway vestibule exhaust'),
        ],
      },
      {
        name: 'Freight shed roof',
        kind: 'roof',
        service: 480,
        machines: [
          m('EF-5 EF 5 - Freight shed exhaust, north bay'),
          m('EF-6 EF 5 - Freight shed exhaust, middle bay'),
          m('EF-7 EF 5 - Freight shed exhaust, south bay'),
          m('MAU-2 SF 15 - Freight shed make-up air'),
          m('RTU-21 SF 3 - Dispatch office supply'),
          m('CU-21 CF-1 0.5 ds Dispatch condenser, fan 1'),
          m('CU-21 CF-2 0.5 ds Dispatch condenser, fan 2'),
        ],
      },
      {
        name: 'Crew house roof',
        kind: 'roof',
        service: 208,
        machines: [
          m('RTU-3 SF 3 - Crew house upper'),
          m('RTU-4 SF 3 - Crew house lower'),
          m('RTU-5 SF 2 - Crew mess'),
          m('EF-8 EF 0.75 - Drying room exhaust'),
          m('EF-9 EF 0.5 d1 Laundry exhaust'),
          m('FCU-1 SF 0.5 d1 Bridge watch room'),
          m('CU-3 CF-1 0.5 ds Crew condenser, fan 1'),
          m('CU-3 CF-2 0.5 ds Crew condenser, fan 2'),
        ],
      },
    ],
  },
  {
    name: 'Lantern Reach Aquarium',
    zone: 'America/Halifax',
    areas: [
      {
        name: 'Main tank roof',
        kind: 'roof',
        service: 600,
        machines: [
          m('AHU-3 SF 20 v Main tank hall supply'),
          m('AHU-3 RF 10 v Main tank hall return'),
          m('AHU-4 SF 15 - Kelp gallery supply'),
          m('AHU-4 RF 7.5 - Kelp gallery return'),
          m('AHU-5 SF 10 - Museum supply'),
          m('AHU-5 RF 5 - Museum return'),
          m('MAU-3 SF 10 - Quarantine make-up air'),
          m('EF-11 EF 7.5 - Quarantine exhaust, duty'),
          m('EF-12 EF 7.5 - Quarantine exhaust, second'),
          m('RTU-31 SF-1 10 s Lagoon hall supply, left wheel'),
          m('RTU-31 SF-2 10 s Lagoon hall supply, right wheel'),
          m('RTU-32 SF 7.5 - Shark tunnel supply'),
        ],
      },
      {
        name: 'Life-support plant room',
        kind: 'room',
        service: 600,
        machines: [
          m('AHU-6 SF 5 - Plant room ventilation'),
          m('EF-13 EF 3 - Ozone room exhaust'),
          m('EF-14 EF 3 - Chlorine store exhaust'),
          m('EF-15 EF 2 - Pump hall exhaust'),
          m('FCU-2 SF 1 - Control room'),
        ],
      },
      {
        name: 'Gift hall roof',
        kind: 'roof',
        service: 208,
        machines: [
          m('RTU-41 SF 5 - Gift hall supply'),
          m('RTU-42 SF 5 - Cafe supply'),
          m('EF-16 EF 2 - Cafe kitchen exhaust'),
          m('MAU-4 SF 3 - Cafe make-up air'),
          m('EF-17 EF 0.5 d1 Cloakroom exhaust'),
          m('CU-41 CF-1 0.75 ds Gift hall condenser, fan 1'),
          m('CU-41 CF-2 0.75 ds Gift hall condenser, fan 2'),
        ],
      },
    ],
  },
  {
    name: 'Slipway Workshop',
    zone: 'Europe/Lisbon',
    areas: [
      {
        name: 'Workshop roof',
        kind: 'roof',
        service: 400,
        machines: [
          m('AHU-7 SF 5.5 - Machine shop supply'),
          m('AHU-7 RF 4 - Machine shop return'),
          m('EF-21 EF 2.2 - Welding bay exhaust'),
          m('EF-22 EF 2.2 - Battery room exhaust'),
          m('EF-23 EF 1.5 - Engine test exhaust'),
          m('RTU-51 SF 4 - Drawing office supply'),
        ],
      },
      {
        name: 'Paint hall roof',
        kind: 'roof',
        service: 400,
        machines: [
          m('MAU-5 SF 7.5 - Paint hall make-up air'),
          m('EF-24 EF 5.5 - Paint booth exhaust, left'),
          m('EF-25 EF 5.5 - Paint booth exhaust, right'),
          m('EF-26 EF 0.75 d Mixing room exhaust'),
          m('AHU-8 SF 4 - Drying hall supply'),
          m('AHU-8 RF 2.2 - Drying hall return'),
          m('EF-27 EF 1.5 - Solvent store exhaust'),
        ],
      },
    ],
  },
]
