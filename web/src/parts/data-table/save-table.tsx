import { tableBody, type TableFormat } from '@motor-round/contract'
import { Button } from 'antd'
import { useState, type RefObject } from 'react'
import { csrfToken } from '../../app/api.ts'
import { failureOf, messageOf } from '../../app/failure.ts'

/** What a cell shows, as a spreadsheet takes it: a figure alone is a number. */
export function cellValue(shown: string): string | number | null {
  const lines = shown.split('\n').map((line) => line.trim())
  const text = lines.filter((line) => line !== '').join('; ')
  if (text === '' || text === '—') return null
  return /^[−-]?\d{1,12}(\.\d+)?$/.test(text) ? Number(text.replace('−', '-')) : text
}

/** Rows of a table as they stand on the page. */
export function readTable(root: HTMLElement): { columns: string[]; rows: (string | number | null)[][] } {
  const textOf = (cell: HTMLElement) => cell.innerText
  const columns = [...root.querySelectorAll<HTMLElement>('thead th')].map((c) => textOf(c).trim())
  const rows = [...root.querySelectorAll<HTMLElement>('tbody tr.ant-table-row')].map((tr) =>
    [...tr.querySelectorAll<HTMLElement>(':scope > th, :scope > td')].map((c) => cellValue(textOf(c))),
  )
  return { columns, rows }
}

async function save(name: string, root: HTMLElement, format: TableFormat): Promise<string | null> {
  const body = tableBody.safeParse({ name: name.slice(0, 80), ...readTable(root) })
  if (!body.success) return 'This table cannot be saved.'
  let answer: Response
  try {
    answer = await fetch(`/api/v1/tables/${format}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-csrf-token': csrfToken() },
      body: JSON.stringify(body.data),
    })
  } catch {
    return 'No signal: the table is made by the server.'
  }
  if (!answer.ok) return messageOf(failureOf(answer.status, await answer.json().catch(() => undefined)))
  const link = document.createElement('a')
  link.href = URL.createObjectURL(await answer.blob())
  link.download = /filename="([^"]+)"/.exec(answer.headers.get('content-disposition') ?? '')?.[1] ?? `table.${format}`
  link.click()
  URL.revokeObjectURL(link.href)
  return null
}

/** Save the table that is shown, for a spreadsheet. */
export function SaveTable({ name, root }: { name: string; root: RefObject<HTMLElement | null> }) {
  const [busy, setBusy] = useState<TableFormat | null>(null)
  const [trouble, setTrouble] = useState<string | null>(null)
  const start = (format: TableFormat) => {
    if (!root.current) return
    setBusy(format)
    void save(name, root.current, format)
      .then(setTrouble)
      .finally(() => setBusy(null))
  }
  return (
    <div className="save-table">
      {trouble === null ? null : <span role="alert">{trouble}</span>}
      <span className="quiet">Save this table:</span>
      {(['xlsx', 'csv'] as const).map((format) => (
        <Button
          key={format}
          type="link"
          size="small"
          loading={busy === format}
          aria-label={`Save the table ${name} as ${format.toUpperCase()}`}
          onClick={() => start(format)}
        >
          {format.toUpperCase()}
        </Button>
      ))}
    </div>
  )
}
