import { Link } from 'react-router'
import './help.css'

/** What the program is, whose, and what becomes of what it is told. */
export default function AboutPage() {
  return (
    <div className="stack help">
      <h2>About Tachymetra</h2>
      <p>
        Tachymetra trains arithmetic in the head and on the abacus. It asks for every step, checks it at once,
        times the answer, names mistakes, and plans what to practise next.
      </p>
      <dl className="terms">
        <dt>Version</dt>
        <dd>{__VERSION__}</dd>
        <dt>Licence</dt>
        <dd>
          MIT: you may use, change and share it, as long as the licence goes with it. There is no warranty.
        </dd>
      </dl>
      <section className="stack" aria-labelledby="privacy">
        <h3 id="privacy">Privacy</h3>
        <ul>
          <li>Everything stays on the machine the program runs on. Nothing is sent anywhere else.</li>
          <li>
            Of a learner it keeps a name or nickname, a time zone, and what was practised. Nothing else is
            asked.
          </li>
          <li>An age, if you give one, only sets text size, time and wording. The age itself is not kept.</li>
          <li>There are no accounts, no advertising, and no counting of visitors.</li>
          <li>A learner can be erased at any time, with everything that was recorded.</li>
          <li>Backups and exported files are yours to keep safe: they hold what they say.</li>
        </ul>
      </section>
      <p>
        <Link to="/help">Help</Link>
      </p>
    </div>
  )
}
