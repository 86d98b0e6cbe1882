import type { MeterLine } from '@motor-round/contract'
import type { QuantityCode } from '@motor-round/core/quantity'

/** A meter that is being read: put the probe somewhere, or take it off. */
export interface MeterLink {
  probe(quantity: QuantityCode, position: string): void
  off(): void
  close(): void
}

/** What a meter tells the page. */
export interface MeterEvents {
  readonly line: (line: MeterLine) => void
  readonly lost: (why: string) => void
}

/**
 * A kind of meter. To add a real one, write a driver that turns its stream into lines of the open protocol, whatever it
 * speaks itself, and name it in the register.
 */
export interface MeterDriver {
  readonly id: string
  readonly title: string
  open(address: string, events: MeterEvents): MeterLink
}
