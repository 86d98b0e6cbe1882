import { findingLevels } from '@motor-round/core/finding'
import { AutoComplete, Button, Form, Input } from 'antd'
import { useState } from 'react'
import { useDispatch } from 'react-redux'
import { api } from '../../app/api.ts'
import { notKeptWords } from '../../app/device-text.ts'
import { useClock } from '../../app/now.ts'
import { enqueueFinding } from '../../offline/core/enqueue.ts'
import { DayInput } from '../../parts/day-input/index.ts'
import { Choice, TroubleNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { levelWords } from '../../parts/level-mark/index.ts'
import { useFindingDraft } from './use-finding-draft.ts'
import './findings.css'

/** Where it was seen. */
export interface FoundAt {
  readonly machineId: string
  readonly roundId?: string | null
  readonly visitId?: string | null
}

const owners = ['Electrician', 'Controls', 'Roofer', 'Tenant', 'Owner of the building']

/** Say what was found beside what was asked for; kept on this phone at once, with or without a signal. */
export function FindingForm({ of, done }: { of: FoundAt; done: (kept: boolean) => void }) {
  const me = api.useSessionQuery({}).data?.person?.id ?? ''
  const clock = useClock()
  const dispatch = useDispatch()
  const { draft, change, forget, kept } = useFindingDraft(of.machineId)
  const [keeping, setKeeping] = useState(false)
  const [trouble, setTrouble] = useState<string | null>(null)
  const missing = [...(draft.text.trim() === '' ? ['finding'] : []), ...(draft.level === null ? ['level'] : [])]
  const save = async () => {
    if (draft.level === null || keeping) return
    setKeeping(true)
    const failed = await enqueueFinding(me, {
      id: draft.id,
      machineId: of.machineId,
      roundId: of.roundId ?? null,
      visitId: of.visitId ?? null,
      at: new Date(clock()).toISOString(),
      level: draft.level,
      text: draft.text,
      owner: draft.owner,
      reviewOn: draft.reviewOn === '' ? null : draft.reviewOn,
    })
    setKeeping(false)
    setTrouble(failed)
    if (failed !== null) return
    forget()
    dispatch(api.util.invalidateTags(['machine', 'round']))
    done(true)
  }
  return (
    <Form
      className="sheet stack finding-form"
      aria-label="A finding"
      onKeyDown={(e) => {
        if (e.key !== 'Escape') return
        // What is around it is not left with it.
        e.stopPropagation()
        done(false)
      }}
      onFinish={() => {
        void save()
      }}
    >
      <FormField label="Finding">
        <Input.TextArea
          autoFocus
          rows={2}
          maxLength={300}
          placeholder="No belt guard; grease over the membrane; no overload …"
          value={draft.text}
          // One line as it is kept.
          onChange={(e) =>
            change({
              text: e.target.value
                .split('\n')
                .map((t, i, all) => (all.length === 1 ? t : i === 0 ? t.trimEnd() : t.trimStart()))
                .join(' '),
            })
          }
        />
      </FormField>
      <Choice
        label="Level"
        value={draft.level}
        options={findingLevels.map((value) => ({ value, label: levelWords[value] }))}
        onChange={(level) => change({ level })}
      />
      <FormField label="Who handles it, if not us">
        <AutoComplete
          aria-label="Who handles it, if not us"
          value={draft.owner}
          options={owners.map((value) => ({ value }))}
          maxLength={60}
          onChange={(owner: string) => change({ owner })}
        />
      </FormField>
      <FormField label="Review on, if not at the next visit">
        <DayInput
          label="Review on, if not at the next visit"
          value={draft.reviewOn}
          onChange={(reviewOn) => change({ reviewOn })}
        />
      </FormField>
      <TroubleNote words={kept ? null : notKeptWords} />
      <TroubleNote words={trouble} />
      {missing.length > 0 ? <p className="quiet">Still needed: {missing.join(', ')}.</p> : null}
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" loading={keeping} disabled={missing.length > 0}>
          Save finding
        </Button>
        <Button
          size="large"
          onClick={() => {
            forget()
            done(false)
          }}
        >
          Cancel
        </Button>
      </div>
    </Form>
  )
}
