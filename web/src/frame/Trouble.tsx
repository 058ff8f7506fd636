import { InputError } from '@tachymetra/core/problem'
import { Button } from 'antd'
import { Words } from '../written/Words.js'

/** What went wrong, and the way to try again. */
export function Trouble({ error, retry }: { readonly error: Error; readonly retry?: () => void }) {
  return (
    <div className="stack" role="alert">
      <p>
        <span className="said-slip">
          {/* What the server says may hold what a person typed: it stands as it is. */}
          {error instanceof InputError ? <Words>{error.message}</Words> : error.message}
        </span>
      </p>
      {retry && (
        <div>
          <Button onClick={retry}>Try again</Button>
        </div>
      )}
    </div>
  )
}
