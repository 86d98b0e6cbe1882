import { calculatorHowTo, checkHowTo } from '@motor-round/core/how-to'
import { defaultPolicies, limitInForce, limitRegister } from '@motor-round/core/limits'
import { Button, Descriptions, Modal } from 'antd'
import { api } from '../../app/api.ts'
import { limitWords } from '../limit-text/index.ts'

/** The lines of one check or calculator in a window of their own. */
export function HowToLines({
  of,
  id,
  title,
  close,
}: {
  of: 'check' | 'calculator'
  id: string
  title: string
  close: () => void
}) {
  const policies = api.usePoliciesQuery({}).data?.policies ?? defaultPolicies
  const how = (of === 'check' ? checkHowTo : calculatorHowTo)[id]
  if (!how) return null
  return (
    <Modal
      open
      title={title}
      onCancel={close}
      width={620}
      footer={
        <Button type="primary" onClick={close}>
          Done
        </Button>
      }
    >
      <Descriptions
        styles={{ label: { minWidth: 108, fontWeight: 700 } }}
        column={1}
        size="small"
        items={[
          { key: 'where', label: of === 'check' ? 'Where' : 'Measure', children: how.where },
          { key: 'set', label: of === 'check' ? 'Meter or tool' : 'Setting', children: how.set },
          { key: 'good', label: 'Good', children: how.good },
          { key: 'bad', label: 'Bad', children: how.bad },
        ]}
      />
      {how.limits.length > 0 ? (
        <section>
          <h3>Why this limit</h3>
          <ul className="bullets">
            {how.limits.map((limit) => {
              const l = limitRegister[limit]
              const now = limitInForce(limit, policies)
              return (
                <li key={limit}>
                  <b>
                    {l.title}: {limitWords(l, now.value)}.
                  </b>{' '}
                  {l.means} <span className="quiet">Source: {now.basis.text}.</span>
                </li>
              )
            })}
          </ul>
        </section>
      ) : null}
    </Modal>
  )
}
