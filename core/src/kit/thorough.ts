/** How much of an expensive check is done: all of it by `npm run sweep`, a part of it whenever the tests are run. */
const IS_THOROUGH = process.env.THOROUGH !== undefined

/** @returns the first where everything is looked at, else the second */
export const thorough = (all: number, part: number): number => (IS_THOROUGH ? all : part)
