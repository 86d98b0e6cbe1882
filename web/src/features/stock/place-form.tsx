import { stockPlaceBody, stockPlaceKinds } from '@motor-round/contract'
import { Button, Input, Select } from 'antd'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { stockApi } from '../../app/stock-api.ts'
import type { Failure } from '../../app/failure.ts'
import { ZodField, ZodForm } from '../../parts/zod-form/index.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { placeWords } from './words.ts'

/** A new shop, van, cage or shelf. */
export function PlaceForm({ done }: { done: () => void }) {
  const [add, attempt] = stockApi.useAddStockPlaceMutation()
  const [id] = useState(() => uuid())
  const sites = api.usePlacesQuery({}).data?.sites ?? []
  const failure = attempt.error as Failure | undefined
  return (
    <ZodForm
      className="sheet stack"
      schema={stockPlaceBody}
      failure={failure}
      initial={{ kind: 'van', siteId: null }}
      onSubmit={(body) => {
        void add({ body: { ...body, id, siteId: body.siteId ?? null } })
          .unwrap()
          .then(done, () => undefined)
      }}
    >
      <ZodField name="name" label="Name of the place">
        <Input maxLength={60} />
      </ZodField>
      <ZodField name="kind" label="What kind">
        <Select options={stockPlaceKinds.map((value) => ({ value, label: placeWords[value] }))} />
      </ZodField>
      <ZodField name="siteId" label="Site, if it belongs to one">
        <Select allowClear options={sites.map((s) => ({ value: s.id, label: s.name }))} />
      </ZodField>
      <FailureNote failure={failure} kept="What you entered is still here." />
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" loading={attempt.isLoading}>
          Add the place
        </Button>
        <Button size="large" onClick={done}>
          Cancel
        </Button>
      </div>
    </ZodForm>
  )
}
