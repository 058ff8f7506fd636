import { useState } from 'react'
import { Navigate } from 'react-router'
import { keepShowing, keptShowing, type WallPlace } from '../data/board.js'
import { Wall } from './Wall.js'

/** The lesson that was begun in this tab, from wherever it stands. */
export default function WallPage() {
  const [showing] = useState(keptShowing)
  const [place, setPlace] = useState(showing?.place)
  if (!showing || !place) return <Navigate to="/board" replace />
  const { plan, seed } = showing
  const go = (next: WallPlace) => {
    setPlace(next)
    keepShowing({ plan, seed, place: next })
  }
  return <Wall plan={plan} seed={seed} place={place} onGo={go} />
}
