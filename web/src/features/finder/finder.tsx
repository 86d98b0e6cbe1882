import { skipToken } from '@reduxjs/toolkit/query'
import { AutoComplete } from 'antd'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { api } from '../../app/api.ts'

/** Find a machine by tag or name; `/` brings the cursor here from anywhere. */
export function Finder() {
  const [text, setText] = useState('')
  const navigate = useNavigate()
  const q = text.trim()
  const found = api.useFindMachinesQuery(q.length > 0 ? { query: { q } } : skipToken)
  const options = (q.length > 0 ? (found.currentData ?? []) : []).map((m) => ({
    value: m.id,
    label: (
      <span>
        <b className="condensed">
          {m.unitTag} / {m.tag}
        </b>{' '}
        <span className="quiet">
          {m.purpose} · {m.siteName}
        </span>
      </span>
    ),
  }))
  return (
    <div className="finder" role="search">
      <AutoComplete
        id="find-machine"
        aria-label="Find a machine"
        value={text}
        options={options}
        placeholder="Find a machine  /"
        popupMatchSelectWidth={380}
        defaultActiveFirstOption
        notFoundContent={q.length > 0 && found.currentData ? 'No machine with that tag or name' : null}
        onChange={(v: string) => setText(v)}
        onSelect={(id: string) => {
          setText('')
          void navigate(`/machines/${id}`)
        }}
      />
    </div>
  )
}
