import { Button } from 'antd'
import { Words } from '../written/Words.js'

/** What went wrong, and the way to try again. */
export function Trouble({ error, retry }: { readonly error: Error; readonly retry?: () => void }) {
  return (
    <div className="stack" role="alert">
      <p>
        <span className="said-slip">
          <Words>{error.message}</Words>
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
