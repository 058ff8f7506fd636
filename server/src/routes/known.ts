/** The learner an address names. */
import { idSchema, type LearnerWire } from '@tachymetra/core/wire'
import { checked, found } from '../problem.js'
import type { Database } from '../store/database.js'
import { learnerById } from '../store/learners.js'

/** @throws a problem for an id that is none, and for nobody */
export const learnersOf =
  (db: Database) =>
  (id: unknown): LearnerWire =>
    found(learnerById(db, checked(idSchema, id)), 'learner')
