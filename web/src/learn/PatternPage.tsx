import { InputNumber } from 'antd'
import { Link, useSearchParams } from 'react-router'
import { KeyButton } from '../entry/KeyButton.js'
import { Pattern } from '../working/Pattern.js'

const MOST = 8
const NAMES = { first: 'Digits of the first number', second: 'Digits of the second' } as const

/** The pattern of a crosswise product for numbers of any size, to be printed and kept. */
export default function PatternPage() {
  const [search, setSearch] = useSearchParams()
  const digits = (key: keyof typeof NAMES, usual: number) => {
    const n = Number(search.get(key) ?? usual)
    return Number.isInteger(n) && n >= 1 && n <= MOST ? n : usual
  }
  const size = { first: digits('first', 3), second: digits('second', 2) }
  const { first, second } = size
  return (
    <div className="stack loose">
      <h1>
        Crosswise, {first} by {second} digits
      </h1>
      <div className="row no-print">
        {(['first', 'second'] as const).map((key) => (
          <label key={key} htmlFor={`pattern-${key}`} className="row">
            {NAMES[key]}
            <InputNumber
              id={`pattern-${key}`}
              min={1}
              max={MOST}
              precision={0}
              value={size[key]}
              onChange={(n) =>
                setSearch({ ...size, [key]: String(n ?? size[key]) } as unknown as Record<string, string>, {
                  replace: true,
                })
              }
              style={{ width: '5rem' }}
            />
          </label>
        ))}
        <KeyButton label="Print" onPress={() => window.print()} main />
        <Link to="/learn/multiply-crosswise">How it is done</Link>
      </div>
      <p>
        Each dot is a digit, the units at the right. Each line is a product. Work column 1 first, then column
        2 to its left: there are {first + second - 1}. Lost? Count the columns that are done: the next one is
        the step you are on.
      </p>
      <div className="pattern-large">
        <Pattern first={first} second={second} />
      </div>
    </div>
  )
}
