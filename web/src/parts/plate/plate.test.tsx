import type { Plate } from '@motor-round/core/plate'
import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { markUnreadable, readCell, writeCell } from './cell-text.ts'
import { PlateCard } from './plate-card.tsx'

const plate: Plate = {
  maker: 'Northrail',
  power: 10,
  powerUnit: 'hp',
  phases: 3,
  volts: '208-230/460',
  amps: '27.0-25.6/12.8',
  efficiency: 0.917,
}

describe('a cell of the plate', () => {
  const wrote = (field: Parameters<typeof writeCell>[1], text: string) => {
    const w = writeCell(plate, field, text)
    if (!w.ok) throw new Error(w.message)
    return w.plate
  }
  it('reads figures as plates print them', () => {
    expect(wrote('power', '7-1/2')).toMatchObject({ power: 7.5, powerUnit: 'hp' })
    expect(wrote('power', '5,5 kW')).toMatchObject({ power: 5.5, powerUnit: 'kW' })
    expect(wrote('efficiency', '91.7 %').efficiency).toBe(0.917)
    expect(wrote('powerFactor', '0.84').powerFactor).toBe(0.84)
    expect(wrote('phases', '1').phases).toBe(1)
    expect(wrote('rotation', 'counter').rotation).toBe('counter-clockwise')
  })
  it('keeps what is printed in columns as it is printed', () =>
    expect(wrote('amps', ' 27.0-25.6/12.8 ').amps).toBe('27.0-25.6/12.8'))
  it('tells what it cannot read', () => {
    for (const [field, text] of [
      ['power', 'ten'],
      ['phases', '2'],
      ['efficiency', '120'],
      ['rpm', 'fast'],
      ['rotation', 'left'],
    ] as const)
      expect(writeCell(plate, field, text).ok).toBe(false)
  })
  it('goes blank, and unreadable, and back', () => {
    expect(wrote('power', '')).not.toHaveProperty('power')
    const gone = markUnreadable(plate, 'amps')
    expect(gone).toMatchObject({ unreadable: ['amps'] })
    expect(gone).not.toHaveProperty('amps')
    const back = writeCell(gone, 'amps', '12.8')
    expect(back.ok && back.plate).toMatchObject({ amps: '12.8' })
    expect(back.ok && back.plate).not.toHaveProperty('unreadable')
  })
  it('comes back as it was typed', () => {
    for (const field of ['power', 'phases', 'volts', 'amps', 'efficiency'] as const)
      expect(wrote(field, readCell(plate, field))).toEqual(plate)
  })
})

describe('the plate', () => {
  it('underlines the voltage in force and its amps', () => {
    const at = (service: number) =>
      [
        ...renderToStaticMarkup(<PlateCard plate={plate} serviceVolts={service} connectionVolts={null} />).matchAll(
          /<u>([^<]*)<\/u>/g,
        ),
      ].map((m) => m[1])
    expect(at(480)).toEqual(['460', '12.8'])
    expect(at(208)).toEqual(['208', '27.0'])
    expect(at(600)).toEqual([])
  })
  it('says what cannot be read', () =>
    expect(
      renderToStaticMarkup(
        <PlateCard plate={markUnreadable(plate, 'amps')} serviceVolts={480} connectionVolts={null} />,
      ),
    ).toContain('cannot be read'))
})
