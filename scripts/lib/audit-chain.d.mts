import type { ClientBase } from 'pg'

export interface AuditChain {
  readonly sealed: number
  /** The newest seal; empty where there is none. */
  readonly hash: string
  /** Lines that wait for their seal. */
  readonly waiting: number
  readonly problems: string[]
}
export function checkAudit(client: ClientBase, known?: { seq: number; hash: string } | null): Promise<AuditChain>
