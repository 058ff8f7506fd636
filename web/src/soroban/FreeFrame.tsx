import { inWords, toWords } from '@tachymetra/core/number'
import { clearFrame, type Frame, frameValue, LEAST_RODS, MOST_RODS } from '@tachymetra/core/soroban'
import { InputNumber } from 'antd'
import { memo, useState } from 'react'
import { chooseRod, type DigitMeans, digitKey, earthKey, type Hand, heavenKey } from '../beads/rodKeys.js'
import { SorobanFrame } from '../beads/SorobanFrame.js'
import { useNeeds } from '../data/needs.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { KeyButton } from '../entry/KeyButton.js'
import { Keypad } from '../entry/Keypad.js'
import { useKeys } from '../entry/useKeys.js'
import { Words } from '../written/Words.js'
import './soroban.css'

const MEANS: readonly [DigitMeans, string, string][] = [
  ['set', 'sets the rod', '='],
  ['add', 'adds', '+'],
  ['take', 'subtracts', '-'],
]

/** Digits, and the signs that say what they do. */
const FRAME_KEYS = ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9', '+', '-', '=']

/** The frame by itself: move beads, set, add, undo, clear, and read the value in words. */
export default function FreeFrame() {
  const { rods } = useSettings()
  const [decimals, setDecimals] = useState(0)
  return <Standing key={`${rods} ${decimals}`} rods={rods} decimals={decimals} onDecimals={setDecimals} />
}

function Standing({
  rods,
  decimals,
  onDecimals,
}: {
  readonly rods: number
  readonly decimals: number
  readonly onDecimals: (n: number) => void
}) {
  const [hands, setHands] = useState<readonly Hand[]>(() => [
    { frame: clearFrame(rods, decimals), chosen: 0 },
  ])
  const [means, setMeans] = useState<DigitMeans>('set')
  const [values, setValues] = useState(false)
  const { keypad } = useNeeds()
  const hand = hands.at(-1)!
  /** What changes no bead is no step to undo. */
  const move = (next: Hand) =>
    setHands(next.frame === hand.frame ? [...hands.slice(0, -1), next] : [...hands.slice(-200), next])
  const onFrame = (frame: Frame) => move({ frame, chosen: hand.chosen })
  const undo = () => setHands(hands.length > 1 ? hands.slice(0, -1) : hands)
  const clear = () => move({ frame: clearFrame(rods, decimals), chosen: 0 })
  const digit = (key: string) => {
    const sign = MEANS.find(([, , shortcut]) => shortcut === key)
    if (sign) setMeans(sign[0])
    else move(digitKey(hand, Number(key), means))
  }
  useKeys(
    {
      ArrowLeft: () => move(chooseRod(hand, 1)),
      ArrowRight: () => move(chooseRod(hand, -1)),
      ArrowUp: () => move(earthKey(hand, 1)),
      ArrowDown: () => move(earthKey(hand, -1)),
      ' ': () => move(heavenKey(hand)),
      Backspace: undo,
      Delete: clear,
      v: () => setValues(!values),
    },
    { keys: FRAME_KEYS, press: digit },
    true,
  )
  const value = frameValue(hand.frame)
  return (
    <div className="stack free-frame" style={{ gap: '1rem' }}>
      <div className="row spread">
        <h1>The soroban</h1>
        <Size rods={rods} decimals={decimals} onDecimals={onDecimals} />
      </div>
      <SorobanFrame
        frame={hand.frame}
        onChange={onFrame}
        chosen={hand.chosen}
        onChoose={(chosen) => setHands([...hands.slice(0, -1), { ...hand, chosen }])}
        lit={hand.chosen}
        values={values}
      />
      <div className="free-value" role="status">
        <p className="big mono" aria-hidden="true">
          <Words>{toWords(value)}</Words>
        </p>
        <p>{inWords(value)}</p>
        {hand.notice && (
          <p className="said-slip">
            <Words>{hand.notice}</Words>
          </p>
        )}
      </div>
      {keypad && <Keypad keys={FRAME_KEYS} onKey={digit} onErase={undo} />}
      <div className="row keys-line">
        {MEANS.map(([key, label, shortcut]) => (
          <KeyButton
            key={key}
            label={`A digit ${label}`}
            shortcut={shortcut}
            onPress={() => setMeans(key)}
            main={key === means}
          />
        ))}
      </div>
      <div className="row keys-line">
        <KeyButton label="Undo" shortcut="Backspace" onPress={undo} disabled={hands.length < 2} />
        <KeyButton label="Clear" shortcut="Del" onPress={clear} />
        <KeyButton
          label={values ? 'Hide the digits' : 'Show the digits'}
          shortcut="V"
          onPress={() => setValues(!values)}
        />
      </div>
      <p className="faint">
        Touch, drag or click beads, with two fingers at once if you like. Keys: <kbd>←</kbd> <kbd>→</kbd>{' '}
        choose a rod, <kbd>↑</kbd> <kbd>↓</kbd> move an earth bead, <kbd>Space</kbd> the heaven bead, digits
        as chosen above.
      </p>
    </div>
  )
}

/** Drawn anew only when the size changes: fields are heavy beside beads. */
const Size = memo(function Size(props: {
  readonly rods: number
  readonly decimals: number
  readonly onDecimals: (n: number) => void
}) {
  const { rods, decimals, onDecimals } = props
  return (
    <div className="row">
      <label htmlFor="rods">Rods</label>
      <InputNumber
        id="rods"
        min={LEAST_RODS}
        max={MOST_RODS}
        precision={0}
        value={rods}
        onChange={(n) => changeSettings({ rods: n ?? rods })}
        style={{ width: '5rem' }}
      />
      <label htmlFor="decimals">Decimal rods</label>
      <InputNumber
        id="decimals"
        min={0}
        max={rods - 1}
        precision={0}
        value={decimals}
        onChange={(n) => onDecimals(n ?? 0)}
        style={{ width: '5rem' }}
      />
    </div>
  )
})
