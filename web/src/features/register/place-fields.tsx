import { unitKinds } from '@motor-round/contract'
import { AutoComplete, Select } from 'antd'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { SiteSettings, usualSettings, type SiteSettingsDraft } from './site-settings.tsx'

/** Where a new machine stands, by name; what is not there yet is made. */
export interface PlaceDraft {
  readonly site: string
  /** Of a site that is new. */
  readonly settings: SiteSettingsDraft
  readonly area: string
  readonly areaKind: 'roof' | 'room'
  readonly unit: string
  readonly unitKind: (typeof unitKinds)[number]
}

export const blankPlace: PlaceDraft = {
  site: '',
  settings: usualSettings(),
  area: '',
  areaKind: 'roof',
  unit: '',
  unitKind: 'RTU',
}

const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase()

/** What of the named place is in the register already. */
export function usePlace(draft: PlaceDraft) {
  const { data } = api.usePlacesQuery({})
  const site = data?.sites.find((s) => same(s.name, draft.site))
  const area = data?.areas.find((a) => a.siteId === site?.id && same(a.name, draft.area))
  const unit = data?.units.find((u) => u.siteId === site?.id && same(u.tag, draft.unit))
  return { places: data, site, area, unit }
}

/** Make what is missing of the place, outermost first. @returns the unit's id; throws the failure of the step that failed */
export function useMakePlace() {
  const [addSite] = api.useAddSiteMutation()
  const [addArea] = api.useAddAreaMutation()
  const [addUnit] = api.useAddUnitMutation()
  return async (draft: PlaceDraft, found: ReturnType<typeof usePlace>): Promise<string> => {
    if (found.unit) return found.unit.id
    const siteId =
      found.site?.id ??
      (await addSite({ body: { id: uuid(), name: draft.site.trim(), ...draft.settings } }).unwrap()).id
    const areaId =
      found.area?.id ??
      (await addArea({ body: { id: uuid(), siteId, name: draft.area.trim(), kind: draft.areaKind } }).unwrap()).id
    return (await addUnit({ body: { id: uuid(), areaId, tag: draft.unit.trim(), kind: draft.unitKind } }).unwrap()).id
  }
}

export function PlaceFields({ draft, set }: { draft: PlaceDraft; set: (d: Partial<PlaceDraft>) => void }) {
  const { places, site, area, unit } = usePlace(draft)
  const names = (list: readonly string[]) => list.map((value) => ({ value }))
  return (
    <div className="form-grid">
      <FormField label="Site">
        <AutoComplete
          aria-label="Site"
          value={draft.site}
          options={names((places?.sites ?? []).map((s) => s.name))}
          onChange={(v: string) => set({ site: v })}
        />
      </FormField>
      {site || draft.site === '' ? null : (
        <SiteSettings value={draft.settings} set={(d) => set({ settings: { ...draft.settings, ...d } })} />
      )}
      <FormField label="Unit tag">
        <AutoComplete
          aria-label="Unit tag"
          value={draft.unit}
          options={names((places?.units ?? []).filter((u) => u.siteId === site?.id).map((u) => u.tag))}
          onChange={(v: string) => set({ unit: v })}
        />
      </FormField>
      {unit ? (
        <p className="quiet">This unit exists; the machine is added to it.</p>
      ) : (
        <>
          <FormField label="Area">
            <AutoComplete
              aria-label="Area"
              value={draft.area}
              options={names((places?.areas ?? []).filter((a) => a.siteId === site?.id).map((a) => a.name))}
              onChange={(v: string) => set({ area: v })}
            />
          </FormField>
          {area || draft.area.trim() === '' ? null : (
            <FormField label="Kind of area">
              <Select<PlaceDraft['areaKind']>
                aria-label="Kind of area"
                value={draft.areaKind}
                options={[
                  { value: 'roof', label: 'roof' },
                  { value: 'room', label: 'room' },
                ]}
                onChange={(areaKind) => set({ areaKind })}
              />
            </FormField>
          )}
          <FormField label="Kind of unit">
            <Select<PlaceDraft['unitKind']>
              aria-label="Kind of unit"
              value={draft.unitKind}
              options={unitKinds.map((k) => ({ value: k, label: k }))}
              onChange={(unitKind) => set({ unitKind })}
            />
          </FormField>
        </>
      )}
    </div>
  )
}
