import { itemName, type PlanItem } from '@tachymetra/core/plan'
import { Button } from 'antd'
import { useRef, useState } from 'react'
import { changeLearner, useLearnerSettings } from '../data/learnerSettings.js'
import { Guard, lazily } from '../frame/Guard.js'
import { Words } from '../written/Words.js'

// The plan stands there sooner without it.
const PlanMenu = lazily(() => import('./PlanMenu.js'))

/** Pinning, leaving out for a day and banning; all of it can be taken back in the settings. */
export function ItemMenu(props: {
  readonly learnerId: string
  readonly item: PlanItem
  readonly day: string
  readonly onBan: () => void
}) {
  const { learnerId, item, day, onBan } = props
  const { pinned, banned, skipped } = useLearnerSettings(learnerId)
  const actions: Record<string, () => void> = {
    pin: () => changeLearner(learnerId, { pinned: [...pinned, item.id] }),
    unpin: () => changeLearner(learnerId, { pinned: pinned.filter((id) => id !== item.id) }),
    skip: () =>
      // Other days' notes have served their turn.
      changeLearner(learnerId, {
        skipped: [...skipped.filter((s) => s.day === day), { item: item.id, day }],
      }),
    ban: () => {
      changeLearner(learnerId, {
        banned: [...banned, item.id],
        pinned: pinned.filter((id) => id !== item.id),
      })
      onBan()
    },
  }
  /** Undefined until it is opened for the first time. */
  const [open, setOpen] = useState<boolean>()
  const button = useRef<HTMLButtonElement>(null)
  const onClose = () => {
    setOpen(false)
    // The focus goes back to where it came from, unless it has been taken elsewhere.
    setTimeout(() => {
      const at = document.activeElement
      if (!at || at === document.body || at.matches('[tabindex="-1"], .ant-dropdown *'))
        button.current?.focus()
    })
  }
  const items = [
    ...(item.pinned
      ? [{ key: 'unpin', label: 'No longer every day' }]
      : // What fades is not asked every day.
        item.kind === 'mixed'
        ? []
        : [{ key: 'pin', label: 'Pin: every day' }]),
    { key: 'skip', label: 'Not today' },
    { key: 'ban', label: 'Never' },
  ]
  return (
    <span className="with-menu">
      <Button ref={button} aria-haspopup="menu" aria-expanded={open === true} onClick={() => setOpen(true)}>
        {item.pinned ? 'Pinned' : 'Change'}
        <span className="sr-only">
          : pin, skip or ban <Words>{itemName(item)}</Words>
        </span>
      </Button>
      {open !== undefined && (
        <Guard waiting={null}>
          <PlanMenu open={open} items={items} onPick={(key) => actions[key]?.()} onClose={onClose} />
        </Guard>
      )}
    </span>
  )
}
