import { Button, Input } from 'antd'
import { useState } from 'react'

/** Why a visit is skipped: it is not without a reason. */
export function WalkSkip({ tag, skip, leave }: { tag: string; skip: (why: string) => void; leave: () => void }) {
  const [why, setWhy] = useState('')
  return (
    <div className="row">
      <Input
        autoFocus
        size="large"
        aria-label={`Why ${tag} is skipped`}
        placeholder="Reason: locked by others, no access, storm …"
        value={why}
        maxLength={400}
        onChange={(e) => setWhy(e.target.value)}
      />
      <Button size="large" disabled={why.trim() === ''} onClick={() => skip(why)}>
        Skip
      </Button>
      <Button size="large" onClick={leave}>
        Cancel
      </Button>
    </div>
  )
}
