import type { Care } from '@motor-round/contract'
import { Input } from 'antd'
import { useState } from 'react'
import { spanOf } from '@motor-round/core/round'
import { spansText } from '../../app/dates.ts'
import { Choice } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'

/** What a unit asks of those who come to it: when it may stop, how many people, what to beware of, who is told. */
export function CareFields({ care, set }: { care: Care; set: (c: Care) => void }) {
  const [windows, setWindows] = useState(spansText(care.windows))
  const parts = windows
    .split(',')
    .map((t) => t.trim())
    .filter(Boolean)
  const spans = parts.map(spanOf)
  const wrong = spans.some((s) => s === null)
  return (
    <>
      <FormField label="May be shut down at" error={wrong ? 'such as 6:00–10:00, 14:00–15:00' : undefined}>
        <Input
          aria-label="May be shut down at"
          placeholder="any time"
          value={windows}
          onChange={(e) => {
            setWindows(e.target.value)
            const next = e.target.value
              .split(',')
              .map((t) => t.trim())
              .filter(Boolean)
              .map(spanOf)
            if (next.every((s) => s !== null)) set({ ...care, windows: next })
          }}
        />
      </FormField>
      <Choice
        label="People needed"
        value={String(care.people)}
        options={[
          { value: '1', label: 'One' },
          { value: '2', label: 'Two' },
        ]}
        onChange={(v) => set({ ...care, people: v === '2' ? 2 : 1 })}
      />
      <FormField label="Hazards">
        <Input value={care.hazards} maxLength={400} onChange={(e) => set({ ...care, hazards: e.target.value })} />
      </FormField>
      <FormField label="Who to notify before shutdown">
        <Input value={care.tell} maxLength={200} onChange={(e) => set({ ...care, tell: e.target.value })} />
      </FormField>
      <FormField label="Who watches the space served">
        <Input value={care.watch} maxLength={200} onChange={(e) => set({ ...care, watch: e.target.value })} />
      </FormField>
      <FormField label="Lifting: what, weight and how">
        <Input value={care.lift} maxLength={200} onChange={(e) => set({ ...care, lift: e.target.value })} />
      </FormField>
      <Choice
        label="Loss noticed within hours"
        value={care.critical}
        options={[
          { value: true, label: 'Yes' },
          { value: false, label: 'No' },
        ]}
        onChange={(v) => set({ ...care, critical: v === true })}
      />
    </>
  )
}
