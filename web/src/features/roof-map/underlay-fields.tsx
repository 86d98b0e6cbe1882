import type { RoofMap, Spot } from '@motor-round/core/round'
import { Button, Input } from 'antd'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { toMeters, type DistanceUnit } from '../../app/distances.ts'
import type { Failure } from '../../app/failure.ts'
import { FailureNote, FileButton } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { layUnder, toScale } from './edit.ts'

/** A photo for the map to be drawn over: added, brought to scale by two spots and their distance, taken away. */
export function UnderlayFields({
  areaId,
  unit,
  map,
  change,
  marks,
  setMarks,
}: {
  areaId: string
  unit: DistanceUnit
  map: RoofMap
  change: (p: RoofMap) => void
  /** Spots tapped so far, while it is brought to scale; null: it is not. */
  marks: readonly Spot[] | null
  setMarks: (m: readonly Spot[] | null) => void
}) {
  const [add, attempt] = api.useAddMapPictureMutation()
  const [problem, setProblem] = useState<string | null>(null)
  const [length, setLength] = useState('')
  const bring = async (file: File) => {
    setProblem(null)
    const { shrink } = await import('../../offline/core/picture.ts')
    try {
      const { bytes, width, height } = await shrink(file)
      const id = uuid()
      const sent = await add({ params: { id: areaId }, body: { id, type: 'image/jpeg', bytes } })
      if (sent.error === undefined) change(layUnder(map, { id, width, height }))
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'That file is not a photo.')
    }
  }
  const metres = toMeters(Number(length.replace(',', '.')), unit)
  const [a, b] = marks ?? []
  return (
    <div className="row">
      <FileButton
        words={map.underlay ? 'Replace background photo' : 'Add background photo'}
        label="Background photo"
        accept="image/*"
        onFile={(file) => void bring(file)}
      />
      {map.underlay ? (
        <>
          <Button
            aria-pressed={marks !== null}
            type={marks === null ? 'default' : 'primary'}
            onClick={() => setMarks(marks === null ? [] : null)}
          >
            Set the scale
          </Button>
          <Button
            onClick={() => {
              setMarks(null)
              change({ ...map, underlay: null })
            }}
          >
            Remove photo
          </Button>
        </>
      ) : null}
      {a && b ? (
        <>
          <FormField
            label="Distance between the points"
            error={length !== '' && !(metres > 0 && metres <= 2000) ? 'Enter a distance, for example 12.5.' : undefined}
          >
            <Input
              autoFocus
              aria-label={`Distance between the points, ${unit}`}
              style={{ width: 96 }}
              suffix={unit}
              inputMode="decimal"
              value={length}
              onChange={(e) => setLength(e.target.value)}
            />
          </FormField>
          <Button
            type="primary"
            disabled={!(metres > 0 && metres <= 2000)}
            onClick={() => {
              change(toScale(map, [a, b], metres))
              setMarks(null)
              setLength('')
            }}
          >
            Set scale
          </Button>
        </>
      ) : null}
      {problem === null ? null : (
        <p className="note tone-fix problem" role="alert">
          {problem}
        </p>
      )}
      <FailureNote failure={attempt.error as Failure | undefined} kept="The map was not changed." />
    </div>
  )
}
