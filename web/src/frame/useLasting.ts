import { useEffect, useState } from 'react'

/** Has something been so for a while without a break? @param whileMs how long, in milliseconds */
export function useLasting(is: boolean, whileMs: number): boolean {
  const [lasting, setLasting] = useState(false)
  useEffect(() => {
    setLasting(false)
    if (!is) return
    const timer = setTimeout(() => setLasting(true), whileMs)
    return () => clearTimeout(timer)
  }, [is, whileMs])
  return is && lasting
}
