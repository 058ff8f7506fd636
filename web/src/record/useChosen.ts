/** What a page of the record is narrowed to stands in its address, so that it can be kept, shared and gone back to. */
import { TECHNIQUES } from '@tachymetra/core/registry'
import { useSearchParams } from 'react-router'

/** One of some values under a name in the address; what is not one of them counts as not chosen. */
export function useChosen<T extends string>(
  name: string,
  values: readonly T[],
): readonly [T | undefined, (value: T | undefined) => void] {
  const [params, setParams] = useSearchParams()
  const found = values.find((v) => v === params.get(name))
  const choose = (value: T | undefined) =>
    setParams(
      (before) => {
        if (value === undefined) before.delete(name)
        else before.set(name, value)
        return before
      },
      { replace: true },
    )
  return [found, choose]
}

const IDS = TECHNIQUES.map((t) => t.id)

export const useChosenTechnique = () => useChosen('technique', IDS)
