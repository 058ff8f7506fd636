import { keyingDue } from '@tachymetra/core/learner'
import {
  itemName,
  type PlanDay,
  type PlanItem,
  restingWords,
  type TechniqueItem,
} from '@tachymetra/core/plan'
import { techniqueById } from '@tachymetra/core/registry'
import { SUPPORT_NAMES } from '@tachymetra/core/session'
import type { LearnerWire } from '@tachymetra/core/wire'
import { bestWords } from '@tachymetra/core/words'
import { Button } from 'antd'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { beginItem } from '../data/begin.js'
import { changeLearner, useLearnerSettings } from '../data/learnerSettings.js'
import type { Plan } from '../data/plan.js'
import { Fold } from '../frame/Fold.js'
import { Trouble } from '../frame/Trouble.js'
import { dayName, minutesWords } from '../words/words.js'
import { Words } from '../written/Words.js'
import { ItemMenu } from './ItemMenu.js'
import './desk.css'

/** Today's plan: what, for how long and why; one button starts it. */
export function Today(props: {
  readonly learner: LearnerWire
  readonly plan: Plan
  /** Something else comes first. */
  readonly after: boolean
}) {
  const { learner, plan, after } = props
  const navigate = useNavigate()
  const settings = useLearnerSettings(learner.id)
  const [trouble, setTrouble] = useState<Error>()
  // What was banned on this visit, so that it can be taken back at once; later on in the settings.
  const [bannedNow, setBannedNow] = useState<string>()
  const { items, worked, input, bests } = plan
  const best = ({ id, level }: TechniqueItem) => {
    const own = bests.find((b) => b.technique === id && b.level === level)
    return own && bestWords(own)
  }
  const begin = (item: PlanItem) => beginItem(learner.id, item).then((path) => navigate(path), setTrouble)
  const [first] = items
  const resting = restingWords(input)
  const skippedToday = settings.skipped.filter((s) => s.day === input.day)
  return (
    <section className="today" aria-labelledby="today">
      <div className="row spread">
        <h2 id="today">
          Today, <Words>{minutesWords(settings.minutes)}</Words>
        </h2>
        <span className="faint">
          <Words>{worked > 0 && `${minutesWords(worked)} done today. `}</Words>
          <Link to="/settings/learner/plan">Plan settings</Link>
        </span>
      </div>
      <MinuteRule items={items} worked={worked} minutes={settings.minutes} />
      {first ? (
        <ol className="plain-list plan">
          {items.map((item, i) => (
            <li key={item.id}>
              <div>
                <strong>
                  <Words>{itemName(item)}</Words>
                </strong>{' '}
                <span className="faint">
                  <Words>{howWorked(item)}</Words>
                  about <Words>{minutesWords(item.minutes)}</Words>
                </span>
                <p>
                  <Words>{item.because}</Words> <Words>{'level' in item && best(item)}</Words>{' '}
                  {'level' in item && (
                    <Link to={`/learn/${item.id}`}>
                      How it is done
                      <span className="sr-only">
                        : <Words>{itemName(item)}</Words>
                      </span>
                    </Link>
                  )}
                </p>
              </div>
              <span className="row">
                <ItemMenu
                  learnerId={learner.id}
                  item={item}
                  day={input.day}
                  onBan={() => setBannedNow(item.id)}
                />
                <Button
                  type={i === 0 && !after ? 'primary' : 'default'}
                  size={i === 0 && !after ? 'large' : 'middle'}
                  onClick={() => begin(item)}
                >
                  {i === 0 ? 'Begin' : 'Start this'}
                  <span className="sr-only">
                    : <Words>{itemName(item)}</Words>
                  </span>
                </Button>
              </span>
            </li>
          ))}
        </ol>
      ) : (
        <p>
          {worked > 0
            ? 'All done for today. You can do more, but you need not.'
            : 'Nothing is planned for today.'}
        </p>
      )}
      {resting && <p className="faint">{resting}</p>}
      {keyingDue(settings, input.now) && items.some((i) => i.kind === 'facts') && (
        <p className="faint">
          {settings.keying
            ? 'Your typing speed was measured long ago. '
            : 'Your typing speed is not known yet, so an average is used. '}
          <Link to="/facts?keying">Measure it, 20 seconds</Link>
        </p>
      )}
      {trouble && <Trouble error={trouble} />}
      {skippedToday.length > 0 && (
        <p className="faint">
          Left out today: <Words>{skippedToday.map((s) => itemLabel(s.item)).join(', ')}</Words>.{' '}
          <button
            type="button"
            className="key-button"
            onClick={() =>
              changeLearner(learner.id, { skipped: settings.skipped.filter((s) => s.day !== input.day) })
            }
          >
            Put back
          </button>
        </p>
      )}
      {bannedNow && settings.banned.includes(bannedNow) && (
        <p className="faint">
          Never planned from now on: <Words>{itemLabel(bannedNow)}</Words>.{' '}
          <button
            type="button"
            className="key-button"
            onClick={() =>
              changeLearner(learner.id, { banned: settings.banned.filter((id) => id !== bannedNow) })
            }
          >
            Put back
          </button>
        </p>
      )}
      <Fold summary="The week ahead">{() => <Week week={plan.week()} />}</Fold>
    </section>
  )
}

const LABELS: Readonly<Record<string, string>> = { facts: 'facts', mixed: 'mixed' }
const itemLabel = (id: string) => LABELS[id] ?? techniqueById(id).name

function howWorked(item: PlanItem): string {
  if (item.kind === 'facts') return ''
  if (item.kind === 'mixed') return `answer only, ${item.problems} problems of each, `
  const { support, problems } = item
  return support === 'watch'
    ? `watch one, then with help, ${problems} problems at a time, `
    : `${SUPPORT_NAMES[support].toLowerCase()}, ${problems} problems at a time, `
}

const RULE_NAMES = { facts: 'facts', edge: 'practice', new: 'new', review: 'again', mixed: 'again' } as const

/** The minutes of the day on a rule: what is done, then a stretch for each item. */
function MinuteRule(props: {
  readonly items: readonly PlanItem[]
  readonly worked: number
  readonly minutes: number
}) {
  const { items, worked, minutes } = props
  const whole = Math.max(minutes, worked + items.reduce((sum, i) => sum + i.minutes, 0))
  return (
    <div className="minute-rule" aria-hidden="true">
      {worked > 0 && <span className="done" style={{ width: `${(100 * worked) / whole}%` }} />}
      {items.map((item) => (
        <span key={item.id} className={item.kind} style={{ width: `${(100 * item.minutes) / whole}%` }}>
          {RULE_NAMES[item.kind]}
        </span>
      ))}
    </div>
  )
}

function Week({ week }: { readonly week: readonly PlanDay[] }) {
  return (
    <>
      <p className="faint">If you practise every day. Missed a day? You need not catch up.</p>
      <dl className="week">
        {week.map(({ day, items, rest }) => (
          <div key={day}>
            <dt>{dayName(day)}</dt>
            <dd>
              <Words>{rest ?? items.map(itemName).join('; ')}</Words>
              {!rest && items.length === 0 && 'Done.'}
            </dd>
          </div>
        ))}
      </dl>
    </>
  )
}
