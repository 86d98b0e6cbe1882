import { vfdLinkBody, vfdProfile, type VfdPage } from '@motor-round/contract'
import { Button, Input, InputNumber, Popconfirm, Select, Switch } from 'antd'
import { useState } from 'react'
import { vfdApi } from '../../app/vfd-api.ts'
import type { Failure } from '../../app/failure.ts'
import { FailureNote, FileButton } from '../../parts/fields/index.ts'
import { ZodField, ZodForm } from '../../parts/zod-form/index.ts'

/** A profile out of a file; a message where it is none. */
async function profileIn(file: File): Promise<{ profile: ReturnType<typeof vfdProfile.parse> } | { wrong: string }> {
  try {
    const parsed = vfdProfile.safeParse(JSON.parse(await file.text()))
    if (parsed.success) return { profile: parsed.data }
    const [first] = parsed.error.issues
    return { wrong: `${file.name}: ${first?.path.join('.') ?? ''} ${first?.message ?? 'is not valid'}` }
  } catch {
    return { wrong: `${file.name} is not a JSON file.` }
  }
}

/** Where the drive answers, entered by a lead; and kinds of drive, added by file. */
export function ConnectionPanel({ id, page }: { id: string; page: VfdPage }) {
  const profiles = vfdApi.useVfdProfilesQuery({}).data ?? []
  const [enter, entering] = vfdApi.useSetVfdLinkMutation()
  const [drop, dropping] = vfdApi.useDropVfdLinkMutation()
  const [add, adding] = vfdApi.useAddVfdProfileMutation()
  const [wrong, setWrong] = useState<string | null>(null)
  const failure = entering.error as Failure | undefined
  const from = (file: File) =>
    void profileIn(file).then((r) => {
      setWrong('wrong' in r ? r.wrong : null)
      if ('profile' in r) void add({ body: r.profile })
    })
  return (
    <section className="sheet stack" aria-label="Connection">
      <header>
        <h2>Connection</h2>
        <span className="quiet">Modbus TCP, from the server; only to this address</span>
      </header>
      <ZodForm
        key={page.link?.at ?? 'none'}
        className="stack"
        schema={vfdLinkBody}
        failure={failure}
        initial={
          page.link
            ? {
                host: page.link.host,
                port: page.link.port,
                unit: page.link.unit,
                profileId: page.link.profileId,
                mayWrite: page.link.mayWrite,
                live: page.link.live,
              }
            : { host: '', port: 502, unit: 1, mayWrite: false, live: false }
        }
        onSubmit={(body) => void enter({ params: { id }, body })}
      >
        <ZodField name="host" label="Address">
          <Input size="large" autoComplete="off" spellCheck={false} />
        </ZodField>
        <div className="row">
          <ZodField name="port" label="Port">
            <InputNumber size="large" min={1} max={65_535} />
          </ZodField>
          <ZodField name="unit" label="Unit number">
            <InputNumber size="large" min={0} max={247} />
          </ZodField>
        </div>
        <ZodField name="profileId" label="Drive profile">
          <Select
            size="large"
            options={profiles.map(({ profile }) => ({
              value: profile.id,
              label: `${profile.maker} ${profile.model}`,
            }))}
          />
        </ZodField>
        <ZodField name="live" label="Read it every minute: live data">
          <SwitchField label="Read it every minute: live data" />
        </ZodField>
        <ZodField name="mayWrite" label="Leads may write settings from here">
          <SwitchField label="Leads may write settings from here" />
        </ZodField>
        <FailureNote failure={failure} kept="What you entered stays." />
        <div className="row">
          <Button type="primary" size="large" htmlType="submit" loading={entering.isLoading}>
            Save the connection
          </Button>
          {page.link ? (
            <Popconfirm
              title="Remove the connection?"
              description="The drive is not read any more. Saved settings stay."
              okText="Remove"
              onConfirm={() => void drop({ params: { id } })}
            >
              <Button size="large" loading={dropping.isLoading}>
                Remove
              </Button>
            </Popconfirm>
          ) : null}
        </div>
      </ZodForm>
      <div className="row">
        <FileButton words="Add a drive profile" accept="application/json,.json" onFile={from} />
      </div>
      {wrong === null ? null : (
        <p className="note tone-fix" role="alert">
          {wrong}
        </p>
      )}
      <FailureNote failure={adding.error as Failure | undefined} kept="Nothing was saved." />
      {adding.data ? (
        <p className="note" role="status">
          {adding.data.maker} {adding.data.model} added.
        </p>
      ) : null}
    </section>
  )
}

/** A switch as a field of a form. */
function SwitchField({ label, value, onChange }: { label: string; value?: boolean; onChange?: (on: boolean) => void }) {
  return <Switch aria-label={label} checked={value === true} onChange={(on) => onChange?.(on)} />
}
