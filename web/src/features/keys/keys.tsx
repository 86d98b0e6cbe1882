import { Link } from 'react-router'
import { Facts } from '../../parts/facts/index.ts'

const keys: readonly [string, string][] = [
  ['/', 'Find a machine, a screen, a calculator, a limit or an action'],
  ['?', 'This list'],
  ['↑ ↓ Enter', 'In Machines: move through the list, open one'],
  ['s', 'On a machine: take readings'],
  ['0–9 . Enter', 'In a visit: the value, then the next field; Enter on the last one shows results, Enter again saves'],
  ['Esc', 'In a visit: back to the machine; what you typed is kept on this device'],
]

/** The keys, as a page. */
export function Keys() {
  return (
    <div className="page stack">
      <h1>Keys</h1>
      <p>
        New here? <Link to="/machines?tour=1">Take the three-minute tour</Link>.
      </p>
      <div className="sheet">
        <Facts rows={keys} />
      </div>
    </div>
  )
}
