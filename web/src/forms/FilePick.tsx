import { Button } from 'antd'
import { useRef } from 'react'

/** A button that asks for a file; the same file may be picked twice in a row. */
export function FilePick(props: {
  readonly label: string
  readonly accept: string
  readonly busy?: boolean
  readonly onPick: (file: File) => void
}) {
  const { label, accept, busy = false, onPick } = props
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0]
          event.target.value = ''
          if (file) onPick(file)
        }}
      />
      <Button loading={busy} onClick={() => input.current!.click()}>
        {label}
      </Button>
    </>
  )
}
