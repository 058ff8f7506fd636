/** The mistakes made last, each with what was entered. */
import type { LatestMistake } from '@tachymetra/core/wire'
import { sql } from 'drizzle-orm'
import type { Database } from './database.js'
import { attempt } from './schema.js'

/**
 * Mistakes with a known cause, newest first; of several causes that led to an entry together the first.
 * @param most so many at most: the index of attempts that were not clean is walked until they are found
 */
export function latestMistakes(db: Database, learnerId: string, most: number): LatestMistake[] {
  return db.all<LatestMistake>(sql`
    select ${attempt.id} as attempt, ${attempt.startedAt} as at, ${attempt.technique} as technique,
      ${attempt.level} as level, ${attempt.expression} as expression,
      json_extract(e.value, '$.text') as text, json_extract(e.value, '$.slips[0].id') as slip,
      json_extract(e.value, '$.slips[0].place') as place
    from ${attempt}, json_each(${attempt.entries}) e
    where ${attempt.learnerId} = ${learnerId} and clean = 0
      and json_extract(e.value, '$.slips[0].id') is not null
    order by ${attempt.startedAt} desc, ${attempt.id}, e.key desc
    limit ${most}`)
}
