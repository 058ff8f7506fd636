import { marked } from '@tachymetra/core/number'
import type { OwnSetWire } from '@tachymetra/core/wire'
import { useState } from 'react'
import { useOwnSets } from '../data/given.js'
import { Loading } from '../frame/Loading.js'
import { OneLearner } from '../frame/OneLearner.js'
import { PaperPages } from '../frame/PaperPages.js'
import { Trouble } from '../frame/Trouble.js'
import { written } from '../written/written.js'
import { type Draft, Editor, emptyDraft } from './Editor.js'
import { KeptSet } from './KeptSet.js'
import './own.css'

/** Problems of one's own: typed, pasted or from a file, kept by name, practised and sent. */
export default function OwnPage() {
  return (
    <OneLearner>
      {({ id, name }) => (
        <div className="stack loose" key={id}>
          <h1>
            Own problems{' '}
            <span className="faint aside">
              for <bdi>{name}</bdi>
            </span>
          </h1>
          <PaperPages />
          <Own learnerId={id} />
        </div>
      )}
    </OneLearner>
  )
}

function Own({ learnerId }: { readonly learnerId: string }) {
  const kept = useOwnSets(learnerId)
  const [draft, setDraft] = useState<Draft>(emptyDraft)
  if (kept.isPending) return <Loading />
  const sets = kept.data ?? []
  const change = (set: OwnSetWire) =>
    setDraft({
      id: set.id,
      name: set.name,
      technique: set.technique,
      text: set.problems.map((p) => written(marked(p.expression))).join('\n'),
      own: new Map(set.problems.flatMap((p) => (p.technique ? [[p.expression, p.technique]] : []))),
      read: undefined,
    })
  return (
    <div className="own-page">
      <Editor
        learnerId={learnerId}
        draft={draft}
        names={sets.filter((s) => s.id !== draft.id).map((s) => s.name)}
        onChange={setDraft}
        onKept={() => setDraft(emptyDraft())}
      />
      <section className="stack" aria-labelledby="kept">
        <h2 id="kept">Kept sets</h2>
        {kept.isLoadingError && <Trouble error={kept.error} retry={() => kept.refetch()} />}
        {kept.data?.length === 0 && (
          <p>None yet. Type or paste problems, give them a name and keep them: then they can be practised.</p>
        )}
        {sets.map((set) => (
          <KeptSet key={set.id} learnerId={learnerId} set={set} onChange={() => change(set)} />
        ))}
      </section>
    </div>
  )
}
