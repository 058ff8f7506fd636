import { Dropdown } from 'antd'

/** The menu of an item of the plan. While it is open it lies over its button, and takes a press that closes it. */
export default function PlanMenu({
  open,
  items,
  onPick,
  onClose,
}: {
  readonly open: boolean
  readonly items: { readonly key: string; readonly label: string }[]
  readonly onPick: (key: string) => void
  readonly onClose: () => void
}) {
  return (
    <Dropdown
      open={open}
      autoFocus
      destroyOnHidden
      trigger={['click']}
      onOpenChange={(next) => {
        if (!next) onClose()
      }}
      menu={{ items, onClick: ({ key }) => onPick(key) }}
    >
      {/* The library gives it the focus back, from where Tab goes on. */}
      <span className={open ? 'menu-anchor' : 'menu-anchor closed'} tabIndex={-1} />
    </Dropdown>
  )
}
