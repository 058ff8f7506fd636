import { type PaperSetup, paperRecipe, USUAL_PAPER } from '@tachymetra/core/set'
import type { LearnerWire } from '@tachymetra/core/wire'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { beginSession } from '../data/begin.js'
import { freshSeed } from '../data/fresh.js'
import { changeLearner, useLearnerSettings } from '../data/learnerSettings.js'
import { usePapers } from '../data/queries.js'
import { OneLearner } from '../frame/OneLearner.js'
import { PaperPages } from '../frame/PaperPages.js'
import { Trouble } from '../frame/Trouble.js'
import { wakeSound } from '../sound/sound.js'
import { OverTime } from './OverTime.js'
import { Setup } from './Setup.js'
import { useCounted } from './useCounted.js'
import './paper.css'

/** Papers: one is set up and begun; those that were worked stand beside, over time. */
export default function PapersPage() {
  return <OneLearner>{(learner) => <Papers key={learner.id} learner={learner} />}</OneLearner>
}

function Papers({ learner }: { readonly learner: LearnerWire }) {
  const navigate = useNavigate()
  useCounted()
  const { papers } = useLearnerSettings(learner.id)
  const worked = usePapers(learner.id)
  const [setup, setSetup] = useState<PaperSetup>(() => papers[0] ?? USUAL_PAPER)
  const [trouble, setTrouble] = useState<Error>()
  const begin = () => {
    wakeSound()
    try {
      void beginSession(learner.id, paperRecipe(setup, freshSeed())).then(
        (path) => navigate(path),
        setTrouble,
      )
    } catch (error) {
      setTrouble(error as Error)
    }
  }
  return (
    <div className="stack loose">
      <h1>
        Papers{' '}
        <span className="faint aside">
          for <bdi>{learner.name}</bdi>
        </span>
      </h1>
      <PaperPages />
      <div className="papers">
        <Setup
          setup={setup}
          kept={papers}
          onChange={(next) => {
            setTrouble(undefined)
            setSetup(next)
          }}
          onKeep={() => {
            const others = papers.filter((p) => p.name !== setup.name)
            void changeLearner(learner.id, { papers: [setup, ...others].slice(0, 20) })
          }}
          onForget={() =>
            void changeLearner(learner.id, { papers: papers.filter((p) => p.name !== setup.name) })
          }
          onBegin={begin}
        >
          {trouble && <Trouble error={trouble} />}
        </Setup>
        <section className="stack" aria-labelledby="over-time">
          <h2 id="over-time">Papers so far</h2>
          {worked.isLoadingError ? (
            <Trouble error={worked.error} retry={() => worked.refetch()} />
          ) : (
            worked.data && <OverTime papers={worked.data} timeZone={learner.timeZone} />
          )}
        </section>
      </div>
    </div>
  )
}
