import { findingBody } from '@motor-round/contract'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { z } from 'zod'
import { keepOnDevice } from '../../app/device-text.ts'

// The id is made with the first word: pressed twice or written again after a restart it is the same finding.
const draft = z.object({
  id: z.uuid(),
  text: z.string(),
  level: findingBody.shape.level.nullable(),
  owner: z.string(),
  reviewOn: z.string(),
})
type FindingDraft = z.infer<typeof draft>

const empty = (): FindingDraft => ({ id: uuid(), text: '', level: null, owner: '', reviewOn: '' })

function load(key: string): FindingDraft {
  try {
    return draft.parse(JSON.parse(localStorage.getItem(key) ?? ''))
  } catch {
    return empty() // there is none, or it is none of ours
  }
}

/** What is being written of a finding at a machine, kept at every key: a tab that dies takes nothing with it. */
export function useFindingDraft(machineId: string) {
  const key = `motor-round-finding ${machineId}`
  const [own, setOwn] = useState(() => load(key))
  const [kept, setKept] = useState(true)
  const change = (part: Partial<FindingDraft>) => {
    const next = { ...own, ...part }
    setKept(keepOnDevice(key, JSON.stringify(next)))
    setOwn(next)
  }
  const forget = () => localStorage.removeItem(key)
  return { draft: own, change, forget, kept }
}
