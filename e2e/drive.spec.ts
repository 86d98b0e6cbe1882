import { readFile } from 'node:fs/promises'
import { practiceRegisters } from '@motor-round/core/vfd'
import { expect, type Page } from '@playwright/test'
import ModbusRTU from 'modbus-serial'
import { standInDrive } from '../scripts/lib/demo-server.mjs'
import { fixedNow, machineId, phone, test } from './world.ts'

let port = 0
let end = () => Promise.resolve()
test.beforeAll(async () => {
  ;({ port, end } = await standInDrive('AHU-3/RF', { port: 0, pace: 20 }))
})
test.afterAll(() => end())

/** What only happens to a drive: somebody stops it, it trips, it is reset. */
async function happens(register: number, value: number) {
  const client = new ModbusRTU()
  await client.connectTCP('127.0.0.1', { port })
  client.setID(1)
  await client.writeRegister(register, value)
  client.close(() => undefined)
}

const readIt = async (page: Page) => {
  const button = page.getByRole('button', { name: /^Read (the drive|again)$/ })
  await button.click()
  await expect(button).not.toHaveClass(/loading/)
}

/** Volts and amps as on any other day, and saved. */
async function plainVisit(walk: Page, id: string) {
  for (const v of ['597', '598', '597', '6.1', '6.0', '6.1']) {
    await walk.keyboard.type(v)
    await walk.keyboard.press('Enter')
  }
  await walk
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /^Results/ })
    .click()
  await walk.getByRole('button', { name: 'Save visit' }).click()
  await walk.waitForURL(`**/machines/${id}`)
}

/** A visit some minutes after the last one. */
const later = (page: Page, minutes: number) => page.clock.setFixedTime(new Date(fixedNow.getTime() + minutes * 60_000))

test('a drive set for another motor is found, read through a visit and a fault, set right and proven', async ({
  open,
}) => {
  const page = await open('vale')
  const id = await machineId(page, 'AHU-3/RF')
  await page.goto(`/machines/${id}/vfd`)

  await test.step('the connection is entered, and an address where nothing answers says what to check', async () => {
    const connection = page.getByRole('region', { name: 'Connection' })
    await connection.getByLabel('Port').fill('9')
    await connection.getByRole('button', { name: 'Save the connection' }).click()
    await expect(page.getByText('127.0.0.1, port 9')).toBeVisible()
    await page.getByRole('button', { name: 'Read the drive' }).click()
    await expect(page.getByRole('alert').filter({ hasText: 'Check the port' })).toBeVisible()
    await connection.getByLabel('Port').fill(String(port))
    await connection.getByRole('button', { name: 'Save the connection' }).click()
    await expect(page.getByText(`127.0.0.1, port ${port}`)).toBeVisible()
  })

  const settings = page.getByRole('region', { name: 'Settings against the nameplate' })
  await test.step('its overload would never trip: said, saved, and on the machine', async () => {
    await readIt(page)
    await expect(page.getByText(/Running at 4\d\.\d Hz/)).toBeVisible()
    await expect(settings.getByText('Overload set for 17 A on a 9.8 A motor: it will not trip')).toBeVisible()
    await settings.getByRole('button', { name: 'Save with 1 to fix' }).click()
    await expect(page.getByRole('region', { name: 'Saved settings' })).toBeVisible()
    const kept = page.getByRole('region', { name: 'Saved settings' })
    const download = page.waitForEvent('download')
    await kept.getByRole('button', { name: 'Save as file' }).click()
    const text = await readFile(await (await download).path(), 'utf8')
    const compare = (content: string) =>
      kept
        .locator('input[type=file]')
        .setInputFiles({ name: 'rf.json', mimeType: 'application/json', buffer: Buffer.from(content) })
    await compare(text)
    await expect(kept.getByRole('status')).toContainText('the same as saved last')
    await compare(text.replace('"accel": 30', '"accel": 12'))
    await expect(kept.getByRole('status')).toContainText('Acceleration time 12 s → 30 s')
    await compare('{}')
    await expect(kept.getByRole('alert')).toContainText('is not a file of drive settings')
    await page.goto(`/machines/${id}`)
    await expect(page.getByText('A setting of the drive is wrong.')).toBeVisible()
  })

  const walk = await open('okonjo', phone)
  await test.step('on the roof the visit takes its figures from the drive, and plain amps do not answer the setting', async () => {
    await walk.goto(`/machines/${id}/visit`)
    await walk.getByRole('button', { name: 'Read the drive' }).click()
    await expect(walk.getByLabel('Frequency', { exact: false }).first()).toHaveValue(/^4\d/)
    await expect(walk.locator('.cell-here input').and(walk.locator(':focus'))).toBeVisible()
    await plainVisit(walk, id)
    await expect(walk.getByText('A setting of the drive is wrong.')).toBeVisible()
  })

  await test.step('it trips: the code and what it means come with the reading, and stand on the machine', async () => {
    await happens(practiceRegisters.cause, 40)
    await later(walk, 10)
    await walk.goto(`/machines/${id}/visit`)
    await walk
      .getByRole('navigation', { name: 'Phases' })
      .getByRole('button', { name: /^Inspect/ })
      .click()
    await walk.getByRole('button', { name: 'All live tests' }).click()
    await walk
      .getByRole('button', { name: /^Drive/ })
      .first()
      .click()
    await walk.getByRole('button', { name: 'Read the drive' }).click()
    await expect(walk.getByText('F40: ground fault')).toBeVisible()
    await expect(walk.getByRole('button', { name: 'Ground fault', exact: true })).toHaveAttribute(
      'aria-pressed',
      'true',
    )
    await walk
      .getByRole('navigation', { name: 'Phases' })
      .getByRole('button', { name: /^Results/ })
      .click()
    await walk.getByRole('button', { name: 'Save visit' }).click()
    await walk.waitForURL(`**/machines/${id}`)
    await expect(walk.getByText('The drive has tripped: code F40, ground fault.')).toBeVisible()
  })

  await test.step('a running drive takes no setting; stopped it does, with a reason', async () => {
    await happens(practiceRegisters.reset, 1)
    await later(page, 20)
    await page.goto(`/machines/${id}/vfd`)
    const write = page.getByRole('region', { name: 'Write a setting' })
    const send = async () => {
      await write.getByLabel('Setting').click()
      await page.locator('.ant-select-item-option').getByText('Overload', { exact: true }).click()
      await write.getByLabel('New figure, A').fill('9.8')
      await write.getByLabel('Why').fill('Set to the nameplate of this motor')
      await write.getByRole('button', { name: 'Write 9.8 A' }).click()
    }
    await expect(async () => {
      await readIt(page)
      await expect(page.getByText(/Running at/)).toBeVisible({ timeout: 500 })
    }).toPass()
    await send()
    await expect(write.getByRole('alert')).toContainText('Stop it first')
    await happens(practiceRegisters.run, 0)
    await expect(async () => {
      await readIt(page)
      await expect(page.getByText(/OK\s*Stopped/)).toBeVisible({ timeout: 500 })
    }).toPass()
    await write.getByRole('button', { name: 'Write 9.8 A' }).click()
    await expect(
      page.getByRole('region', { name: 'Saved settings' }).getByText('Set to the nameplate of this motor'),
    ).toBeVisible()
    await expect(settings.getByText('it will not trip')).toBeHidden()
  })

  await test.step('run again it shows no fault: the machine has nothing of the drive against it any more', async () => {
    await happens(practiceRegisters.run, 1)
    await later(walk, 30)
    await walk.goto(`/machines/${id}/visit`)
    await expect(async () => {
      await walk.getByRole('button', { name: 'Read the drive' }).click()
      await expect(walk.getByLabel('Frequency', { exact: false }).first()).toHaveValue(/^4\d/, { timeout: 1000 })
    }).toPass()
    await expect(walk.locator('.cell-here input').and(walk.locator(':focus'))).toBeVisible()
    await plainVisit(walk, id)
    await expect(walk.getByText('The drive has tripped')).toBeHidden()
    await expect(walk.getByText('A setting of the drive is wrong.')).toBeHidden()
  })
})

/** Answers of a live test on the visit page, with all of them shown and that one opened. */
async function answer(walk: Page, check: RegExp, ...choices: string[]) {
  const phase = (name: string) =>
    walk
      .getByRole('navigation', { name: 'Phases' })
      .getByRole('button', { name: new RegExp(`^${name}`) })
      .click()
  await phase('Inspect')
  await walk.getByRole('button', { name: 'All live tests' }).click()
  await phase('Live tests')
  await walk.getByRole('button', { name: check }).first().click()
  for (const name of choices) await walk.getByRole('button', { name, exact: true }).click()
}

test('a swap test of twin drives stands on the machine until the leads are back and the wheel was seen to turn', async ({
  open,
}) => {
  const page = await open('vale')
  const id = await machineId(page, 'AHU-3/RF')
  for (const name of ['AHU-3/RF', 'AHU-3/SF']) {
    await page.goto(`/machines/${await machineId(page, name)}/edit`)
    await page.getByRole('switch', { name: 'Twin fan in the same unit' }).click()
    await page.getByRole('button', { name: /^Save/ }).click()
    await page.waitForURL(/\/machines\/[\w-]+$/)
  }
  const walk = await open('okonjo', phone)
  const visit = async (minutes: number, ...choices: string[]) => {
    await later(walk, minutes)
    await walk.goto(`/machines/${id}/visit`)
    await answer(walk, /^Swap test/, ...choices)
    await walk
      .getByRole('navigation', { name: 'Phases' })
      .getByRole('button', { name: /^Results/ })
      .click()
    await walk.getByRole('button', { name: 'Save visit' }).click()
    await walk.waitForURL(`**/machines/${id}`)
  }
  await visit(60, 'Stays with this drive', 'Are still swapped')
  await expect(walk.getByText('Leads are swapped with the twin’s drive')).toBeVisible()
  await visit(70, 'Are back, direction not seen')
  await expect(walk.getByText('nobody has seen the wheel turn')).toBeVisible()
  await visit(80, 'Are back, direction seen')
  await expect(walk.getByText('nobody has seen the wheel turn')).toBeHidden()
  await expect(walk.getByText('Leads are swapped')).toBeHidden()
})

test('a drive is commissioned on one sheet, from what was read', async ({ open }) => {
  const page = await open('okonjo', phone)
  const id = await machineId(page, 'AHU-3/SF')
  await page.goto(`/machines/${id}/vfd`)
  await page.getByRole('link', { name: 'Commissioning sheet' }).click()
  await expect(page.getByRole('heading', { name: 'AHU-3 / SF · Commissioning' })).toBeVisible()
  await expect(page.getByRole('listitem', { name: /^Amps at three speeds: missing/ })).toContainText('15.9 A at 60 Hz')
  await expect(page.getByRole('listitem', { name: 'Bypass: missing' })).toBeVisible()
  await page.getByText('Duct pressure', { exact: true }).click()
  await expect(page.getByRole('listitem', { name: 'Bypass: done' })).toContainText('Advised against')
  // What was chosen stays on the device.
  await page.reload()
  await expect(page.getByRole('listitem', { name: 'Bypass: done' })).toBeVisible()
  for (const [minutes, hz, amps] of [
    [30, '32', '7.0'],
    [40, '46', '10.4'],
  ] as const) {
    await later(page, minutes)
    await page.goto(`/machines/${id}/visit`)
    const yes = page.getByRole('button', { name: 'Yes, correct' })
    for (const [cell, v] of [
      ['Volts, line to line, L1-L2', '598'],
      ['Volts, line to line, L2-L3', '597'],
      ['Volts, line to line, L3-L1', '598'],
      ['Amps, motor leads, L1, A', amps],
      ['Amps, motor leads, L2, A', amps],
      ['Amps, motor leads, L3, A', amps],
      ['Frequency', hz],
    ] as const) {
      await page.getByLabel(cell, { exact: false }).first().fill(v)
      await page.keyboard.press('Enter')
      // Far from last time: it is asked about, and it did read that.
      await expect(page.locator('.cell-here input').or(yes).first()).toBeVisible()
      if (await yes.isVisible()) await yes.click()
    }
    await page
      .getByRole('navigation', { name: 'Phases' })
      .getByRole('button', { name: /^Results/ })
      .click()
    await page.getByRole('button', { name: 'Save visit' }).click()
    await page.waitForURL(`**/machines/${id}`)
  }
  await page.goto(`/machines/${id}/vfd/sheet`)
  await expect(page.getByRole('listitem', { name: 'Amps at three speeds: done' })).toContainText(
    /7\.0? A at 32 Hz, 10\.4 A at 46 Hz, 1[56](\.\d)? A at 60 Hz/,
  )
  // Read at three speeds it is shown as at one.
  await page.goto(`/machines/${id}`)
  await page.getByText('As at 60 Hz').click()
  await expect(page.getByText('what stays apart here is a change of the fan')).toBeVisible()
})

test('a motor is connected by its leads for the volts that are there, on a phone; what the nameplate does not say is refused', async ({
  open,
}) => {
  const page = await open('okonjo', phone)
  await page.goto(`/machines/${await machineId(page, 'AHU-2/SF')}`)
  await page.getByRole('link', { name: 'Motor connection' }).click()
  await expect(page.getByRole('status')).toContainText('Count the leads')
  await page.getByRole('button', { name: '9', exact: true }).click()
  await expect(page.getByRole('status')).toContainText('With nine leads wye and delta are connected differently')
  await page.getByRole('button', { name: 'Wye', exact: true }).click()
  // 230/460 V on 480 V: the higher one.
  await expect(
    page.getByRole('img', {
      name: 'Nine leads, wye, high volts: windings in series. L1: T1; L2: T2; L3: T3; Joined: T4, T7; Joined: T5, T8; Joined: T6, T9',
    }),
  ).toBeVisible()
  await page.getByRole('button', { name: '3', exact: true }).click()
  await expect(page.getByRole('status')).toContainText('a motor with three leads has one')

  await test.step('the lead sheet says what is missing, and goes to the record of the machine', async () => {
    const sheet = page.getByRole('region', { name: 'Lead sheet' })
    for (const [line, old, fresh] of [
      ['Line L1', 'T1', '1'],
      ['Line L2', 'T2', '2'],
      ['Line L3', 'T3', '3'],
      ['Joined among themselves', 'T4-T7, T5-T8, T6-T9', '4-7, 5-8, 6-9'],
    ] as const) {
      await sheet.getByLabel(`${line}, old motor`).fill(old)
      await sheet.getByLabel(`${line}, new motor`).fill(fresh)
    }
    await sheet
      .getByRole('group', { name: 'Old motor turned' })
      .getByRole('button', { name: 'Clockwise', exact: true })
      .click()
    await sheet
      .getByRole('group', { name: 'New motor turns' })
      .getByRole('button', { name: 'Clockwise', exact: true })
      .click()
    // What was written stays on the device.
    await page.reload()
    await expect(sheet.getByLabel('Line L1, new motor')).toHaveValue('1')
    await sheet.getByRole('button', { name: 'Save to the machine' }).click()
    await expect(sheet.getByRole('alert')).toContainText('Ground of the old motor is not written down.')
    await sheet.getByLabel('Ground, old motor').fill('green')
    await sheet.getByLabel('Ground, new motor').fill('green')
    await sheet.getByRole('button', { name: 'Save to the machine' }).click()
    await page.waitForURL(/\/machines\/[\w-]+$/)
    await expect(page.getByText(/Lead sheet, old motor → new motor\./).first()).toBeVisible()
  })

  await test.step('a single-phase motor by its taps and its capacitor', async () => {
    await page.goto(`/machines/${await machineId(page, 'FCU-1/SF')}/wiring`)
    await page.getByRole('button', { name: '3', exact: true }).click()
    await page.getByRole('button', { name: 'Medium', exact: true }).click()
    await expect(page.getByRole('status')).toContainText('Count the leads that go to the capacitor')
    await page.getByRole('button', { name: 'Two, often both brown' }).click()
    await expect(
      page.getByRole('img', {
        name: /^Single-phase, run capacitor, medium speed\. L1: Medium speed; L2 or N: Common, by its diagram; Capacitor: Start, Capacitor return; Capped: High speed; Capped: Low speed\. Capacitor 7\.5 µF/,
      }),
    ).toBeVisible()
  })
})
