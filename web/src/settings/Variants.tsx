import { TECHNIQUES } from '@tachymetra/core/registry'
import { useVariantSetter, variantIn } from '../data/variants.js'
import { VariantChoice } from '../forms/VariantChoice.js'
import type { Section } from './section.js'

/** The way a learner has been taught, where ways differ. */
export function Variants({ learner, settings }: Section) {
  const setVariant = useVariantSetter(learner.id)
  return (
    <section className="stack" aria-labelledby="variants">
      <h2 id="variants">Ways of doing it: where people differ</h2>
      <div className="variants">
        {TECHNIQUES.filter((t) => t.variants.length > 0).map((t) => (
          <fieldset key={t.id}>
            <legend>{t.name}</legend>
            <VariantChoice
              technique={t}
              variant={variantIn(settings.variants, t)}
              onChange={(key, value) => setVariant(t, key, value)}
            />
          </fieldset>
        ))}
      </div>
    </section>
  )
}
