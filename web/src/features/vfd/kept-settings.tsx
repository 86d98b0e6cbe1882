import { vfdSettingsFile, type VfdPage, type VfdSettings } from '@motor-round/contract'
import { differences, differenceWords } from '@motor-round/core/vfd'
import { Button } from 'antd'
import { useState } from 'react'
import { dayTime } from '../../app/dates.ts'
import { Facts } from '../../parts/facts/index.ts'
import { FileButton } from '../../parts/fields/index.ts'

const hows = { read: 'read', typed: 'entered by hand', written: 'written from here' } as const

/** Save settings as a file, to be compared or given on. */
function saveFile(s: VfdSettings, name: string) {
  const url = URL.createObjectURL(
    new Blob([JSON.stringify({ format: 'motor-round-vfd-settings/1', ...s }, null, 2)], { type: 'application/json' }),
  )
  const a = document.createElement('a')
  a.href = url
  a.download = `${name}-${s.takenAt.slice(0, 10)}.json`
  a.click()
  URL.revokeObjectURL(url)
}

/** What a file of settings has otherwise than the settings saved last; why it is none, where it is none. */
async function comparedWith(
  file: File,
  last: VfdSettings,
): Promise<{ readonly wrong: boolean; readonly words: string }> {
  const none = { wrong: true, words: `${file.name} is not a file of drive settings.` }
  let read: unknown
  try {
    read = JSON.parse(await file.text())
  } catch {
    return none
  }
  const parsed = vfdSettingsFile.safeParse(read)
  if (!parsed.success) return none
  const { set, takenAt, by } = parsed.data
  const found = differences(set, last.set).filter((d) => d.was !== null && d.is !== null)
  const from = `${file.name}, ${by}, ${dayTime(takenAt)}`
  return {
    wrong: false,
    words:
      found.length === 0
        ? `${from}: the same as saved last.`
        : `From ${from} to what was saved last: ${found.map(differenceWords).join(', ')}.`,
  }
}

/** Settings as they were saved, with what changed from one time to the next. */
export function KeptSettings({ page, name }: { page: VfdPage; name: string }) {
  const [compared, setCompared] = useState<{ readonly wrong: boolean; readonly words: string } | null>(null)
  const [last] = page.settings
  if (!last) return null
  return (
    <section className="sheet stack" aria-label="Saved settings">
      <header>
        <h2>Saved settings</h2>
        <span className="quiet">{page.settings.length} saved</span>
      </header>
      <Facts
        rows={page.settings.map((s, i) => {
          const before = page.settings[i + 1]
          const changed = before ? differences(before.set, s.set).filter((d) => d.was !== null && d.is !== null) : []
          return [
            dayTime(s.takenAt),
            <div key={s.id} className="stack">
              <span>
                {s.by}, {hows[s.how]}
                {before ? `: ${changed.length === 0 ? 'no change' : changed.map(differenceWords).join(', ')}` : ''}
                {s.why === '' ? (changed.length > 0 ? ' · reason unknown' : '') : ` · ${s.why}`}
              </span>
              <span>
                <Button onClick={() => saveFile(s, name)}>Save as file</Button>
              </span>
            </div>,
          ]
        })}
      />
      <div className="row">
        <FileButton
          words="Compare with a file"
          accept="application/json,.json"
          onFile={(file) => void comparedWith(file, last).then(setCompared)}
        />
      </div>
      {compared ? (
        <p className={compared.wrong ? 'note tone-fix' : 'note'} role={compared.wrong ? 'alert' : 'status'}>
          {compared.words}
        </p>
      ) : null}
    </section>
  )
}
