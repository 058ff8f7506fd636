import { useEffect, useState } from 'react'

/**
 * What a live region says: some words as they come about, and "Again: …" where the same have come about once more, which
 * would not be heard otherwise.
 * @param words undefined where there is nothing to tell; what was told last then stays
 * @param turn changes with each thing that comes about
 */
export function useTold(words: string | undefined, turn: number | string): string {
  const [told, setTold] = useState<{ readonly text: string; readonly turn: number | string }>({
    text: '',
    turn,
  })
  useEffect(() => {
    if (words)
      setTold((last) => ({
        text: last.text === words && last.turn !== turn ? `Again: ${words}` : words,
        turn,
      }))
  }, [words, turn])
  return told.text
}
