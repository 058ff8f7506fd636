import { levelOf, techniqueById } from '@tachymetra/core/registry'
import { handMoveSchema, idSchema, latestSchema } from '@tachymetra/core/wire'
import { Router } from 'express'
import { checked, HttpProblem } from '../problem.js'
import type { Database } from '../store/database.js'
import { addMove, latestAnswers, latestMove, levelInForce, movesOf, removeMove } from '../store/moves.js'
import { write } from '../store/writes.js'
import { learnersOf } from './known.js'

/** The most moves a history shows. */
const MOST_MOVES = 200

/** Levels: what they are judged by, and every move; mounted under /learners. */
export function moveRoutes(db: Database): Router {
  const router = Router()
  const known = learnersOf(db)

  /** The latest answers without steps at one level, newest first: what moving up or back is judged by. */
  router.get('/:id/latest', (request, response) => {
    const { id } = known(request.params.id)
    const { technique, level } = checked(latestSchema, request.query, true)
    response.json(latestAnswers(db, id, technique, level))
  })

  router.get('/:id/moves', (request, response) => {
    response.json(movesOf(db, known(request.params.id).id, MOST_MOVES))
  })

  /** A move by hand: coach or learner decides otherwise than the rules. */
  router.put('/:id/moves/:move', async (request, response) => {
    const { id } = known(request.params.id)
    const moveId = checked(idSchema, request.params.move)
    const { technique, to } = checked(handMoveSchema, request.body)
    levelOf(techniqueById(technique), to)
    const stored = await write(db, (tx) => {
      const before = movesOf(tx, id, MOST_MOVES).find((m) => m.id === moveId)
      if (before && (before.technique !== technique || before.to !== to))
        throw new HttpProblem('stored-otherwise', 'Another move has this id.')
      if (before) return true
      const from = levelInForce(tx, id, technique)
      const at = new Date().toISOString()
      addMove(tx, id, { technique, from, to, at, by: 'hand', reason: { id: 'hand' } }, moveId)
      return false
    })
    response.status(stored ? 200 : 201).json({ id: moveId })
  })

  /** Takes the latest move by hand back, as if it had never been; what the rules have moved is moved back by hand. */
  router.delete('/:id/moves/:move', async (request, response) => {
    const { id } = known(request.params.id)
    const moveId = checked(idSchema, request.params.move)
    await write(db, (tx) => {
      const move = movesOf(tx, id, MOST_MOVES).find((m) => m.id === moveId)
      if (move && (move.by !== 'hand' || latestMove(tx, id, move.technique)?.id !== moveId))
        throw new HttpProblem('invalid', 'Only the latest move by hand can be taken back.')
      if (move) removeMove(tx, id, moveId)
    })
    response.json({ id: moveId })
  })

  return router
}
