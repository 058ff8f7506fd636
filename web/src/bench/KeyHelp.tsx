import { Modal } from 'antd'
import { KeyTable } from '../parts/KeyTable.js'

export default function KeyHelp({ onClose }: { readonly onClose: () => void }) {
  return (
    <Modal open title="Keys at the bench" footer={null} onCancel={onClose}>
      <KeyTable />
    </Modal>
  )
}
