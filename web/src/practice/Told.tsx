import { useCallback, useEffect, useState } from 'react'
import { useNeeds } from '../data/needs.js'
import { hush, speak } from '../sound/speech.js'
import { Words } from '../written/Words.js'

/**
 * What is told of practice as it comes about: to whoever listens with a screen reader, and by the browser's own voice where
 * that is wished. The same told once more would not be heard: it is "Again: …" then.
 * @param byVoice where it is not the learner's own wish, as in a round that is read aloud
 */
export function useTelling(byVoice?: boolean): {
  readonly said: string
  /** @param turn changes with each thing that comes about; the same words in one turn are told once */
  readonly tell: (words: string, turn?: number | string) => void
} {
  const { readAloud } = useNeeds()
  const voice = byVoice ?? readAloud
  const [last, setLast] = useState<{ readonly text: string; readonly turn?: number | string | undefined }>({
    text: '',
  })
  const tell = useCallback(
    (words: string, turn?: number | string) => {
      if (voice) speak(words)
      setLast(({ text, turn: before }) => ({
        text: text === words && (turn === undefined || turn !== before) ? `Again: ${words}` : words,
        turn,
      }))
    },
    [voice],
  )
  useEffect(() => hush, [])
  return { said: last.text, tell }
}

/** The one place of a view that is read out as it changes. */
export function Said({ children }: { readonly children: string }) {
  return (
    <p className="sr-only" role="status">
      <Words>{children}</Words>
    </p>
  )
}

/**
 * The same for words that follow from what stands there.
 * @param props.words undefined where there is nothing to tell; what was told last then stays
 * @param props.turn changes with each thing that comes about
 * @param props.first what stands there before anything has come about
 */
export function Told(props: {
  readonly words: string | undefined
  readonly turn: number | string
  readonly first?: string
}) {
  const { words, turn, first = '' } = props
  const { said, tell } = useTelling()
  useEffect(() => {
    if (words) tell(words, turn)
  }, [words, turn, tell])
  return <Said>{said || first}</Said>
}
