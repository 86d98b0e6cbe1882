import { calcGroups, calculators } from '@motor-round/core/calc'
import { Button } from 'antd'
import { Link, useSearchParams } from 'react-router'
import { api } from '../../app/api.ts'
import { groupWords } from './groups.ts'
import { Tiles } from '../../parts/columns/index.ts'
import './calculators.css'

/** The bench: every calculator, by what it is about. Opened from a machine, each is filled with its values. */
export function Calculators() {
  const [params] = useSearchParams()
  const machine = params.get('machine')
  const page = api.useMachinePageQuery({ params: { id: machine ?? '' } }, { skip: machine === null }).currentData
  const query = machine === null ? '' : `?machine=${machine}`
  return (
    <div className="page stack">
      <h1>Calculators</h1>
      {page ? (
        <p>
          Filled in from{' '}
          <Link to={`/machines/${page.machine.id}`}>
            {page.unit.tag} / {page.machine.tag}
          </Link>
          . <Link to="/calculators">Use your own numbers</Link>
        </p>
      ) : (
        <p className="quiet">
          Enter your own numbers, or open a calculator from a machine to fill in its nameplate and last readings.
        </p>
      )}
      <section className="sheet between">
        <div>
          <h2>Speed change</h2>
          <p className="quiet">
            What a turn of the sheave, another sheave or the drive’s Hz does to amps, air, belt and bearings.
          </p>
        </div>
        <Link to={`/speed-change${query}`}>
          <Button type="primary">Open</Button>
        </Link>
      </section>
      <Tiles of={300}>
        {calcGroups.map((g) => (
          <section key={g} className="sheet">
            <h2>{groupWords[g]}</h2>
            <ul className="calc-index">
              {calculators
                .filter((c) => c.group === g)
                .map((c) => (
                  <li key={c.id}>
                    <Link to={`/calculators/${c.id}${query}`}>{c.title}</Link>
                  </li>
                ))}
            </ul>
          </section>
        ))}
      </Tiles>
    </div>
  )
}
