import { useRef, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { tryEnqueue as keepFacts } from '../../offline/core/enqueue.ts'

/** What a picture belongs to. */
export interface PictureOf {
  readonly by: string
  readonly machineId: string
  /** Null: of no visit. */
  readonly visitId: string | null
  readonly check: string
  readonly clock: () => number
}

/** Take a picture for the check that is open: shrunk and kept on this phone at once, it is synced with the visit. */
export function PictureButton({ of }: { of: PictureOf }) {
  const input = useRef<HTMLInputElement>(null)
  const [count, setCount] = useState(0)
  const [problem, setProblem] = useState<string | null>(null)
  const keep = async (file: File) => {
    setProblem(null)
    const { shrink } = await import('../../offline/core/picture.ts')
    let bytes: string
    try {
      bytes = (await shrink(file)).bytes
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'That file is not a photo.')
      return
    }
    const failed = await keepFacts(of.by, [
      {
        kind: 'picture',
        body: {
          id: uuid(),
          machineId: of.machineId,
          visitId: of.visitId,
          check: of.check,
          takenAt: new Date(of.clock()).toISOString(),
          type: 'image/jpeg',
          bytes,
        },
      },
    ])
    setProblem(failed)
    if (failed === null) setCount((n) => n + 1)
  }
  return (
    <>
      <button type="button" className="picture-button" onClick={() => input.current?.click()}>
        Photo{count > 0 ? ` ${count}` : ''}
      </button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        aria-label={`Photo for ${of.check}`}
        className="visually-hidden"
        tabIndex={-1}
        onChange={(e) => {
          const file = e.target.files?.[0]
          if (file) void keep(file)
          e.target.value = ''
        }}
      />
      {problem === null ? null : (
        <p className="note tone-fix problem" role="alert">
          {problem}
        </p>
      )}
    </>
  )
}
