import { piecesOf } from '@tachymetra/core/number'
import { Fragment } from 'react'
import { useSettings } from '../data/settings.js'
import { written } from './written.js'

interface Props {
  /** Text of the program; what comes to no text leaves nothing. */
  readonly children: string | false | null | undefined
}

/** Words of the program, their numbers as they are written here. What a person typed stands in them as it is, on its own. */
export function Words({ children }: Props) {
  const { numbers } = useSettings()
  if (!children) return null
  return piecesOf(children).map(({ text, byHand }, i) =>
    byHand ? <bdi key={i}>{text}</bdi> : <Fragment key={i}>{written(text, numbers)}</Fragment>,
  )
}
