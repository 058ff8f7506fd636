import { useEffect, useState } from 'react'

/** The time of the whole paper as it goes by; it can be hidden. */
export function TimeBar(props: { readonly begun: number; readonly until: number; readonly shown: boolean }) {
  const { begun, until, shown } = props
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    if (!shown) return
    const timer = setInterval(() => setNow(Date.now()), 500)
    return () => clearInterval(timer)
  }, [shown])
  if (!shown) return <span className="faint">The bar is hidden.</span>
  const left = Math.max(0, Math.ceil((until - now) / 1000))
  return (
    <div className="time-bar">
      <span role="timer">
        {Math.floor(left / 60)} min {String(left % 60).padStart(2, '0')} s left
      </span>
      <div className="time-track" aria-hidden="true">
        <div style={{ width: `${Math.min(100, (100 * (now - begun)) / (until - begun))}%` }} />
      </div>
    </div>
  )
}
