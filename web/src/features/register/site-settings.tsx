import type { Site } from '@motor-round/contract'
import { Segmented, Select } from 'antd'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import { FormField } from '../../parts/form-field/index.ts'

export type SiteSettingsDraft = Pick<Site, 'zone' | 'hertz' | 'units' | 'paper' | 'weekStart'>

/** What a new site starts with: the zone of this browser, and units and paper of the place it is in. */
export function usualSettings(): SiteSettingsDraft {
  const { timeZone, locale } = Intl.DateTimeFormat().resolvedOptions()
  const metric = !/-(US|LR|MM)$/i.test(locale) && locale.includes('-')
  return {
    zone: timeZone,
    hertz: null,
    units: metric ? 'metric' : 'us',
    paper: metric ? 'A4' : 'letter',
    weekStart: metric ? 'monday' : 'sunday',
  }
}

/** Time zone, frequency, units, paper and first day of the week of a site. */
export function SiteSettings({
  value,
  set,
  failure,
}: {
  value: SiteSettingsDraft
  set: (d: Partial<SiteSettingsDraft>) => void
  failure?: Failure | undefined
}) {
  return (
    <>
      <FormField label="Time zone" error={fieldMessage(failure, 'zone')}>
        <Select<string>
          showSearch
          aria-label="Time zone"
          value={value.zone}
          options={[...new Set([value.zone, 'UTC', ...Intl.supportedValuesOf('timeZone')])].map((zone) => ({
            value: zone,
            label: zone,
          }))}
          onChange={(zone) => set({ zone })}
        />
      </FormField>
      <FormField label="Supply frequency" error={fieldMessage(failure, 'hertz')}>
        <Select<60 | 50 | 0>
          aria-label="Supply frequency"
          value={value.hertz ?? 0}
          options={[
            { value: 0, label: 'From supply and nameplate' },
            { value: 60, label: '60 Hz' },
            { value: 50, label: '50 Hz' },
          ]}
          onChange={(hertz) => set({ hertz: hertz === 0 ? null : hertz })}
        />
      </FormField>
      <FormField label="Units" error={fieldMessage(failure, 'units')}>
        <Segmented<Site['units']>
          aria-label="Units"
          value={value.units}
          options={[
            { value: 'us', label: 'US' },
            { value: 'metric', label: 'Metric' },
          ]}
          onChange={(units) => set({ units })}
        />
      </FormField>
      <FormField label="Paper" error={fieldMessage(failure, 'paper')}>
        <Segmented<Site['paper']>
          aria-label="Paper"
          value={value.paper}
          options={[
            { value: 'letter', label: 'Letter' },
            { value: 'A4', label: 'A4' },
          ]}
          onChange={(paper) => set({ paper })}
        />
      </FormField>
      <FormField label="Week starts on" error={fieldMessage(failure, 'weekStart')}>
        <Segmented<Site['weekStart']>
          aria-label="Week starts on"
          value={value.weekStart}
          options={[
            { value: 'sunday', label: 'Sunday' },
            { value: 'monday', label: 'Monday' },
          ]}
          onChange={(weekStart) => set({ weekStart })}
        />
      </FormField>
    </>
  )
}
