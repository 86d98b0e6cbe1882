import { listLevels, machineSorts } from '@motor-round/contract'
import { useSearchParams } from 'react-router'
import { type MachineFilter } from '../../app/api.ts'

export type ListLevel = (typeof listLevels)[number]

export function useFilter() {
  const [params, setParams] = useSearchParams()
  const level = (params.get('level') ?? '')
    .split(',')
    .filter((l): l is ListLevel => (listLevels as readonly string[]).includes(l))
  const sort = machineSorts.find((s) => s === params.get('sort')) ?? 'need'
  const filter: MachineFilter = {
    sort,
    ...(params.get('site') ? { site: params.get('site') ?? undefined } : {}),
    ...(params.get('area') ? { area: params.get('area') ?? undefined } : {}),
    ...(level.length > 0 ? { level } : {}),
  }
  const set = (changes: Record<string, string | null>) =>
    setParams(
      (old) => {
        const next = new URLSearchParams(old)
        for (const [k, v] of Object.entries(changes)) {
          if (v === null || v === '') next.delete(k)
          else next.set(k, v)
        }
        return next
      },
      { replace: true },
    )
  return { filter, level, sort, asMap: params.get('view') === 'map', set }
}
