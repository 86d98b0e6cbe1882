import { skipToken } from '@reduxjs/toolkit/query'
import { AutoComplete } from 'antd'
import { useState, type ReactNode } from 'react'
import { useNavigate } from 'react-router'
import { api } from '../../app/api.ts'
import { useMay } from '../../app/shell/person.ts'
import type { Command } from './commands.ts'

interface Commands {
  readonly list: readonly Command[]
  readonly matching: (list: readonly Command[], typed: string) => Command[]
}
/** Read when the cursor first comes here: they bring the calculators along. */
const loadCommands = async (): Promise<Commands> => {
  const { commands, matching } = await import('./commands.ts')
  return { list: commands, matching }
}

const option = (value: string, main: ReactNode, more: string) => ({
  value,
  label: (
    <span>
      <b className="condensed">{main}</b> <span className="quiet">{more}</span>
    </span>
  ),
})

/** It lies on the dark bar; its list does not. */
const onTheBar = {
  root: { background: 'transparent', borderColor: 'var(--rule-2)' },
  input: { color: 'var(--bar-ink)' },
  placeholder: { color: 'var(--bar-2)', opacity: 1 },
} as const

/** Find a machine by tag or name, a screen, a calculator, a limit or an action; `/` brings the cursor here from anywhere. */
export function Finder() {
  const [text, setText] = useState('')
  const [known, setKnown] = useState<Commands | null>(null)
  const navigate = useNavigate()
  const [lead, mechanic] = [useMay('lead'), useMay('mechanic')]
  const q = text.trim()
  const found = api.useFindMachinesQuery(q.length > 0 ? { query: { q } } : skipToken)
  const machines = (q.length > 0 ? (found.currentData ?? []) : []).map((m) =>
    option(`/machines/${m.id}`, `${m.unitTag} / ${m.tag}`, `${m.purpose} · ${m.siteName}`),
  )
  const allowed = (c: Command) => c.role === undefined || (c.role === 'lead' ? lead : mechanic)
  const others = known ? known.matching(known.list.filter(allowed), q) : []
  const groups = [...new Set(others.map((c) => c.group))].map((group) => ({
    label: group,
    options: others.filter((c) => c.group === group).map((c) => option(c.to, c.title, '')),
  }))
  return (
    <div className="finder" role="search">
      <AutoComplete
        id="find-machine"
        aria-label="Find a machine"
        value={text}
        options={[...(machines.length > 0 ? [{ label: 'Machines', options: machines }] : []), ...groups]}
        placeholder="Find  /"
        styles={onTheBar}
        style={{ width: '100%' }}
        listHeight={420}
        popupMatchSelectWidth={380}
        defaultActiveFirstOption
        notFoundContent={q.length > 0 && found.currentData ? 'Nothing with that tag or name' : null}
        onFocus={() => {
          if (!known) void loadCommands().then(setKnown, () => undefined)
        }}
        onChange={(v: string) => setText(v)}
        onSelect={(to: string) => {
          setText('')
          void navigate(to)
        }}
      />
    </div>
  )
}
