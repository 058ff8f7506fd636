const KEYS: readonly [string, string][] = [
  ['0–9 . −', 'type the value'],
  ['Enter', 'check it; when the problem is done, go on'],
  ['Backspace', 'take the last key back'],
  ['H', 'hint: why this step, or what it asks'],
  ['S', 'show the value and go on'],
  ['N', 'skip the problem'],
  ['R', 'where the work goes from the right: type the answer from the right'],
  ['T', 'hide or show the clock'],
  ['C', 'when the problem is done: quick checks'],
  ['← →', 'while watching: a step back, a step on'],
  ['← → ↑ ↓', 'on the frame: choose a rod, move an earth bead'],
  ['Space', 'on the frame: the heaven bead'],
  ['0–9', 'on the frame: a digit sets its rod; a product is added where it lands'],
  ['V', 'on the frame: show or hide what each rod is worth'],
  ['Esc', 'stop the session'],
  ['?', 'this list'],
]

/** What each key does in practice. */
export function KeyTable() {
  return (
    <table className="plain-table">
      <tbody>
        {KEYS.map(([key, does]) => (
          <tr key={key}>
            <th scope="row">
              <kbd>{key}</kbd>
            </th>
            <td>{does}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
