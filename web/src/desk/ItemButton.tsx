import { itemName, type PlanItem } from '@tachymetra/core/plan'
import { Button, type ButtonProps } from 'antd'
import type { Ref } from 'react'

/** What opens the menu of an item of the plan; alone while the menu is on its way. */
export function ItemButton({
  item,
  ...button
}: { readonly item: PlanItem; readonly ref?: Ref<HTMLButtonElement> } & ButtonProps) {
  return (
    <Button aria-haspopup="menu" {...button}>
      {item.pinned ? 'Pinned' : 'Change'}
      <span className="sr-only">: pin, skip or ban {itemName(item)}</span>
    </Button>
  )
}
