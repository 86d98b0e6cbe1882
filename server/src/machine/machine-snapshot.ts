import type {
  ClosingRecord,
  FindingRecord,
  JobRecord,
  Machine,
  Motor,
  PartRecord,
  TraceRecord,
  TwinLoad,
  VisitRecord,
  WorkRecord,
} from '@motor-round/contract'
import type { LiveEvidence } from '@motor-round/core/live'

/** All that is known of a machine and needed to judge it. */
export interface MachineSnapshot {
  readonly machine: Machine
  readonly motors: readonly Motor[]
  readonly parts: readonly PartRecord[]
  readonly work: readonly WorkRecord[]
  /** Newest first: the latest ones, and of older ones the first of each week. */
  readonly visits: readonly VisitRecord[]
  readonly allVisits: number
  readonly twins: readonly TwinLoad[]
  readonly closings: readonly ClosingRecord[]
  readonly findings: readonly FindingRecord[]
  /** Newest first. */
  readonly traces: readonly TraceRecord[]
  /** Newest first. */
  readonly jobs: readonly JobRecord[]
  /** What the building's own instruments showed; null where none is sent. */
  readonly live: LiveEvidence | null
  /** The last instant at which a day that something was put off or allowed to had come; null: none had. */
  readonly turnedAt: string | null
  readonly site: {
    readonly hertz: 50 | 60 | null
    readonly zone: string
    readonly units: 'us' | 'metric'
  }
  /** Loaded where one machine is looked at: many are judged without, for it raises no level. */
  readonly peers?: readonly TwinLoad[]
}
