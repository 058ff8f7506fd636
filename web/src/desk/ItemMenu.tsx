import type { PlanItem } from '@tachymetra/core/plan'
import { Dropdown } from 'antd'
import { useRef, useState } from 'react'
import { changeLearner, useLearnerSettings } from '../data/learnerSettings.js'
import { ItemButton } from './ItemButton.js'

/** Pinning, leaving out for a day and banning; all of it can be taken back in the settings. */
export default function ItemMenu(props: {
  readonly learnerId: string
  readonly item: PlanItem
  readonly day: string
  readonly onBan: () => void
  /** It was asked for before it was there. */
  readonly asked: boolean
}) {
  const { learnerId, item, day, onBan, asked } = props
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
  const [open, setOpen] = useState(asked)
  const button = useRef<HTMLButtonElement>(null)
  /** The focus goes back to where it came from, unless it has been taken elsewhere. */
  const onOpen = (next: boolean) => {
    setOpen(next)
    if (next) return
    setTimeout(() => {
      const at = document.activeElement
      if (at === document.body || at?.closest('.ant-dropdown')) button.current?.focus()
    })
  }
  return (
    <Dropdown
      trigger={['click']}
      open={open}
      autoFocus
      onOpenChange={onOpen}
      menu={{
        items: [
          ...(item.pinned
            ? [{ key: 'unpin', label: 'No longer every day' }]
            : // What fades is not asked every day.
              item.kind === 'mixed'
              ? []
              : [{ key: 'pin', label: 'Pin: every day' }]),
          { key: 'skip', label: 'Not today' },
          { key: 'ban', label: 'Never' },
        ],
        onClick: ({ key }) => actions[key]?.(),
      }}
    >
      <ItemButton ref={button} item={item} aria-expanded={open} />
    </Dropdown>
  )
}
