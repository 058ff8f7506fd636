import { Modal } from 'antd'
import { KEYS } from '../parts/keyList.js'

export default function KeyHelp({ onClose }: { readonly onClose: () => void }) {
  return (
    <Modal open title="Keys at the bench" footer={null} onCancel={onClose}>
      <table>
        <tbody>
          {KEYS.map(([key, does]) => (
            <tr key={key}>
              <th scope="row" style={{ textAlign: 'left', paddingRight: '1rem' }}>
                <kbd>{key}</kbd>
              </th>
              <td>{does}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Modal>
  )
}
