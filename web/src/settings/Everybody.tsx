import Backup from './Backup.js'
import { Removed } from './Removed.js'

/** What concerns all learners together: the keeping of everything, and who was removed. */
export default function Everybody() {
  return (
    <>
      <Backup />
      <Removed />
    </>
  )
}
