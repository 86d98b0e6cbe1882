const keys: readonly [string, string][] = [
  ['/', 'Find a machine by tag or words'],
  ['?', 'This list'],
  ['↑ ↓ Enter', 'On the Roof: move through the machines, open one'],
  ['s', 'On a machine: take a stop'],
  ['0–9 . Enter', 'In a stop: the figure, then the next cell; Enter on the last one judges, Enter again saves'],
  ['Esc', 'In a stop: back to the machine; what was typed is kept on this device'],
]

/** The keys, as a page. */
export function Keys() {
  return (
    <div className="page stack">
      <h1>Keys</h1>
      <div className="sheet">
        <table className="table">
          <tbody>
            {keys.map(([key, does]) => (
              <tr key={key}>
                <th scope="row">{key}</th>
                <td>{does}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  )
}
