import { Button, Select } from 'antd'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { api } from '../../app/api.ts'
import type { Failure } from '../../app/failure.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { QrCode } from '../../parts/qr-code/index.ts'
import './tags.css'

interface Tag {
  readonly id: string
  readonly unitTag: string
  readonly tag: string
  readonly words: string
}

/** One label a machine, to be printed on A4 or Letter and stuck on: scanned, it opens the visit of its machine. */
export function TagsScreen() {
  const [params, setParams] = useSearchParams()
  const area = params.get('area')
  const round = params.get('round')
  const [chosenPaper, setPaper] = useState<'A4' | 'Letter' | null>(null)
  const ofArea = api.useRoofMapQuery({ params: { id: area ?? '' } }, { skip: area === null })
  const ofRound = api.useRoundQuery({ params: { id: round ?? '' } }, { skip: round === null })
  const name = ofArea.currentData?.area.name ?? ofRound.currentData?.head.name ?? ''
  const tags: Tag[] =
    ofArea.currentData?.units.flatMap((u) =>
      u.machines.map((m) => ({ id: m.id, unitTag: u.tag, tag: m.tag, words: ofArea.currentData?.area.name ?? '' })),
    ) ??
    ofRound.currentData?.visits.map((s) => ({ id: s.machineId, unitTag: s.unitTag, tag: s.tag, words: s.areaName })) ??
    []
  const places = api.usePlacesQuery({}).data
  const siteId = ofArea.currentData?.area.siteId ?? ofRound.currentData?.visits[0]?.siteId
  const ownPaper = places?.sites.find((s) => s.id === siteId)?.paper === 'A4' ? 'A4' : 'Letter'
  const paper = chosenPaper ?? ownPaper
  const failure = (ofArea.error ?? ofRound.error) as Failure | undefined
  return (
    <div className="page stack">
      <style>{`@page { size: ${paper === 'A4' ? 'A4' : 'letter'}; margin: 12mm }`}</style>
      <div className="row no-print">
        <h1>Tag sheet{name === '' ? '' : `: ${name}`}</h1>
        <Select
          aria-label="Paper"
          value={paper}
          options={[
            { value: 'A4', label: 'A4' },
            { value: 'Letter', label: 'Letter' },
          ]}
          onChange={setPaper}
        />
        <Button type="primary" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <p className="quiet no-print">
        Scan a tag with a phone’s camera to take readings on its machine. Put it near the nameplate, out of the sun.
      </p>
      <FailureNote failure={failure} kept="The tags cannot be created." />
      {places ? (
        <section className="sheet stack" aria-label="Choose an area">
          <p>Choose the roof or room to print tags for.</p>
          <Select
            aria-label="Roof or room"
            style={{ width: '100%' }}
            placeholder="Choose"
            showSearch={{ optionFilterProp: 'label' }}
            options={places.sites.map((s) => ({
              label: s.name,
              title: s.name,
              options: places.areas.filter((a) => a.siteId === s.id).map((a) => ({ value: a.id, label: a.name })),
            }))}
            onChange={(id: string) => setParams({ area: id })}
          />
        </section>
      ) : null}
      <ul className={`tag-sheet tag-${paper}`} aria-label="Tags">
        {tags.map((t) => (
          <li key={t.id}>
            <QrCode text={`${window.location.origin}/machines/${t.id}/visit`} />
            <div>
              <b>{t.unitTag}</b>
              <strong>{t.tag}</strong>
              <span>{t.words}</span>
            </div>
          </li>
        ))}
      </ul>
    </div>
  )
}
