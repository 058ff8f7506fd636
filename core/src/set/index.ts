export {
  AS_RECORDED,
  GENERATOR,
  type Item,
  isDrawable,
  isItem,
  itemsOf,
  listedItem,
  watchedItems,
  withRecorded,
} from './items.js'
export { deadlineOf, type ItemAnswer, scoreOf, stairOf, toCome } from './next.js'
export {
  type AtLevel,
  checkRecipe,
  itemCount,
  type ListedProblem,
  MOST_ITEMS,
  type PracticeSet,
  plainRecipe,
  type Recipe,
  type SetClock,
  type Source,
  spaceOf,
} from './recipe.js'
