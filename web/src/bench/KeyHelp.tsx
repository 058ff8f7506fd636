import { Modal } from 'antd'
import { KeyTable } from '../entry/KeyTable.js'
import { useReturnFocus } from '../forms/useReturnFocus.js'

export default function KeyHelp({ onClose }: { readonly onClose: () => void }) {
  useReturnFocus()
  return (
    <Modal open title="Keys at the bench" footer={null} onCancel={onClose}>
      <KeyTable />
    </Modal>
  )
}
