import type { RemovedFor } from '@motor-round/core/installed'
import { Select } from 'antd'
import { FormField } from '../form-field/index.ts'

const options: { value: RemovedFor; label: string }[] = [
  { value: 'worn', label: 'Worn out or failed' },
  { value: 'schedule', label: 'Still good, changed on schedule' },
  { value: 'other', label: 'Another reason: speed, size, upgrade' },
]

/** Why the one in place came out, of the kinds that are counted: only what wore out or failed says how long one lasts. */
export const CameOut = ({
  label = 'The old part was removed because',
  value,
  onChange,
}: {
  label?: string
  value: RemovedFor | null
  onChange: (v: RemovedFor | null) => void
}) => (
  <FormField label={label}>
    <Select<RemovedFor>
      aria-label={label}
      placeholder="Not entered"
      allowClear
      value={value}
      options={options}
      onChange={(v: RemovedFor | undefined) => onChange(v ?? null)}
    />
  </FormField>
)
