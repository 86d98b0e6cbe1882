import { agreedSpeed, speedByEar, type HeardSpeed } from '@motor-round/core/motion'
import { Button } from 'antd'
import { useState } from 'react'
import { earTrouble, mayListen, useEar } from '../../parts/ear/index.ts'
import { TroubleNote } from '../../parts/fields/index.ts'
import type { FanToHear } from './heard-fan.ts'

/** Seconds of sound that are looked at together, and captures after which nothing clear will come. */
const capture = 1.5
const patience = 8

const rpmWords = (s: HeardSpeed) => `${s.rpm.toFixed(0)} rpm (${Math.floor(s.low)} to ${Math.ceil(s.high)})`

function against(fan: FanToHear, heard: HeardSpeed): string {
  const off = heard.rpm / fan.expectedRpm - 1
  const by = fan.belt ? 'by the sheaves' : 'on the nameplate'
  const share = `${Math.abs(100 * off).toFixed(1)} % ${off < 0 ? 'below' : 'above'}`
  return `${fan.expectedRpm.toFixed(0)} rpm ${by}: ${share}${fan.belt && off < -0.03 ? ', the belt slips or a sheave is not as recorded' : ''}.`
}

/**
 * The speed of a running fan by the microphone of this device, by the tone of its blades: three captures that agree. The sound is
 * looked at as it comes and not kept.
 */
export function FanEar({ fan }: { fan: FanToHear }) {
  const [state, setState] = useState<'off' | 'opening' | 'on' | 'heard' | 'not heard'>('off')
  const [heard, setHeard] = useState<HeardSpeed | null>(null)
  const [trouble, setTrouble] = useState<string | null>(null)
  const ear = useEar()
  if (!mayListen()) return null
  const begin = async () => {
    setState('opening')
    setTrouble(null)
    setHeard(null)
    let rate = 0
    let blocks: Float32Array[] = []
    let captures: readonly HeardSpeed[] = []
    let tries = 0
    const look = () => {
      const samples = new Float32Array(blocks.reduce((n, b) => n + b.length, 0))
      blocks.reduce((at, b) => {
        samples.set(b, at)
        return at + b.length
      }, 0)
      blocks = []
      tries += 1
      const speed = speedByEar(samples, rate, fan)
      captures = speed ? [...captures, speed] : []
      const agreed = agreedSpeed(captures)
      if (!agreed && tries < patience) return
      ear.close()
      setHeard(agreed)
      setState(agreed ? 'heard' : 'not heard')
    }
    try {
      const samplesASecond = await ear.open((block) => {
        blocks.push(block)
        if (blocks.reduce((n, b) => n + b.length, 0) >= capture * rate) look()
      })
      if (samplesASecond === null) return
      rate = samplesASecond
      setState('on')
    } catch (e) {
      setTrouble(earTrouble(e, 'use a tachometer'))
      setState('off')
    }
  }
  return (
    <div className="row" role="group" aria-label="Listen to the fan">
      {state === 'on' ? (
        <p role="status">Hold the phone toward the running fan, guards on, from outside. Listening …</p>
      ) : (
        <Button loading={state === 'opening'} onClick={() => void begin()}>
          {state === 'off' || state === 'opening' ? 'Listen to the fan' : 'Listen again'}
        </Button>
      )}
      {heard ? <p role="status">{`Heard ${rpmWords(heard)}; ${against(fan, heard)}`}</p> : null}
      {state === 'not heard' ? (
        <p role="status">
          Not heard: no tone of {fan.blades} blades stands out, or another fan is as loud. Go nearer, or use a
          tachometer.
        </p>
      ) : null}
      <TroubleNote words={trouble} />
    </div>
  )
}
