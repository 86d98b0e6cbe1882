import { organizationFile, type OrganizationFile } from '@motor-round/contract'
import { z } from 'zod'

const shape = organizationFile.shape

/** What a list of the file holds, or null for a field that is none. */
function elementOf(field: z.ZodType): z.ZodType | null {
  if (field instanceof z.ZodDefault || field instanceof z.ZodOptional) return elementOf(field.unwrap() as z.ZodType)
  return field instanceof z.ZodArray ? (field.element as z.ZodType) : null
}

type Items = {
  [
    K in keyof OrganizationFile as NonNullable<OrganizationFile[K]> extends readonly unknown[] ? K : never
  ]-?: NonNullable<OrganizationFile[K]> extends readonly (infer Item)[] ? Item : never
}
/** A list of an organization file. */
export type ListName = keyof Items
export type ItemOf<K extends ListName> = Items[K]

const elements = new Map(
  Object.entries(shape).flatMap(([name, field]) => {
    const element = elementOf(field)
    return element ? [[name, element] as const] : []
  }),
)
export const isList = (name: string): name is ListName => elements.has(name)

/** The schema of what a list holds. */
export const itemOf = <K extends ListName>(name: K): z.ZodType<ItemOf<K>> => {
  const element = elements.get(name)
  if (!element) throw new Error(`${name} is not a list of an organization file`)
  return element as z.ZodType<ItemOf<K>>
}

/** Lists that a file has to have, be they empty. */
export const neededLists: readonly string[] = [...elements.keys()].filter(
  (name) => shape[name as ListName] instanceof z.ZodArray,
)

const { format, formatVersion, name, exportedAt, policies, policiesVersion, policiesBy, policiesAt } = shape
/** What a file says beside its lists. */
export const organizationHead = z.strictObject({
  format,
  formatVersion,
  name,
  exportedAt,
  policies,
  policiesVersion,
  policiesBy,
  policiesAt,
})
export type OrganizationHead = z.output<typeof organizationHead>
export const isHead = (name: string): boolean => name in organizationHead.shape

/** So many of a list are in memory at once: what holds a picture is large. */
export const atOnce = (name: ListName): number => (name === 'pictures' || name === 'mapPictures' ? 4 : 500)
