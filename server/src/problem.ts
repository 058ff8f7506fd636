/** Errors as RFC 9457 problem details. Whatever goes wrong, nothing has been changed. */
import { InputError } from '@tachymetra/core/problem'
import { check, type ProblemCode, type ProblemDetails } from '@tachymetra/core/wire'
import type { ErrorRequestHandler, Response } from 'express'
import type Joi from 'joi'
import { TooBusy } from './store/writes.js'

/** Each kind of problem: its status, and a title for people who read the answer itself. */
const KINDS: Record<ProblemCode, readonly [status: number, title: string]> = {
  unreadable: [400, 'The request cannot be read'],
  'not-allowed-from-here': [403, 'Not allowed from here'],
  'not-found': [404, 'Not found'],
  'stored-otherwise': [409, 'Already stored with other contents'],
  'name-taken': [409, 'Somebody is here by that name'],
  'not-empty': [409, 'Somebody is here already'],
  'too-large': [413, 'Too large'],
  'wrong-content-type': [415, 'Another kind of content is wanted'],
  invalid: [422, 'Not acceptable as it stands'],
  'not-in-set': [422, 'Not an item of its set'],
  'server-failed': [500, 'The server failed'],
  'database-damaged': [500, 'The database is damaged'],
  'too-busy': [503, 'Too many at once'],
  'disk-full': [507, 'The disk is full'],
}

/** Thrown by a route; answered as problem details. */
export class HttpProblem extends Error {
  constructor(
    readonly code: ProblemCode,
    detail: string,
  ) {
    super(detail)
  }
}

/** The checked value. @throws HttpProblem 'invalid' that names every fault. */
export function checked<T>(schema: Joi.Schema<T>, value: unknown, convert = false): T {
  const result = check(schema, value, convert)
  if ('error' in result) throw new HttpProblem('invalid', result.error)
  return result.value
}

/** The value, unless it is missing. @throws HttpProblem 'not-found'. */
export function found<T>(value: T | undefined, what: string): T {
  if (value === undefined) throw new HttpProblem('not-found', `There is no such ${what}.`)
  return value
}

function sendProblem(response: Response, code: ProblemCode, detail: string): void {
  const [status, title] = KINDS[code]
  const body: ProblemDetails = { type: 'about:blank', title, status, code, detail }
  response.status(status).type('application/problem+json').send(JSON.stringify(body))
}

const BODY_FAULTS: Record<string, readonly [code: ProblemCode, detail: string]> = {
  'entity.parse.failed': ['unreadable', 'The body is not well-formed JSON.'],
  'entity.too.large': ['too-large', 'The body is larger than 256 kB.'],
  'charset.unsupported': ['wrong-content-type', 'The body must be UTF-8.'],
  'encoding.unsupported': ['wrong-content-type', 'The body comes in an encoding that is not known here.'],
}

/** What the disk and the database say, by the codes of SQLite: what it is, and a line for the person at the server. */
const TROUBLES: Readonly<Record<string, readonly [code: ProblemCode, line: string]>> = {
  SQLITE_FULL: ['disk-full', 'The disk is full: nothing can be stored until there is room.'],
  SQLITE_IOERR: ['disk-full', 'The disk does not take what is to be stored. Is it full, or gone?'],
  SQLITE_READONLY: ['disk-full', 'The database may not be written: look at who owns its folder and files.'],
  SQLITE_CORRUPT: [
    'database-damaged',
    'The database is damaged: stop the server and put a backup in its place.',
  ],
  SQLITE_NOTADB: [
    'database-damaged',
    'The database is damaged: stop the server and put a backup in its place.',
  ],
}

const DETAILS: Partial<Record<ProblemCode, string>> = {
  'disk-full': 'The server cannot store anything just now: its disk is full. Nothing was changed.',
  'database-damaged': 'The database of the server is damaged. Nothing was changed.',
}

/** The trouble behind an error, also where another error holds it. */
function troubleOf(error: unknown): (typeof TROUBLES)[string] | undefined {
  if (!(error instanceof Error)) return undefined
  const code = /^SQLITE_[A-Z]+/.exec(String((error as { code?: unknown }).code))?.[0]
  if ((error as { code?: unknown }).code === 'ENOSPC') return TROUBLES.SQLITE_FULL
  return (code && TROUBLES[code]) || troubleOf(error.cause)
}

/** @param say told in a line what the person at the server has to see to */
export const problemHandler =
  (say: (line: string) => void = () => {}): ErrorRequestHandler =>
  (error, request, response, _next) => {
    if (error instanceof HttpProblem) return sendProblem(response, error.code, error.message)
    if (error instanceof InputError) return sendProblem(response, 'invalid', error.message)
    const status = Number(error?.status)
    if (status >= 400 && status < 500) {
      const [code, detail] = BODY_FAULTS[error.type] ?? ['unreadable', 'The request cannot be read.']
      return sendProblem(response, status === 404 ? 'not-found' : code, detail)
    }
    if (error instanceof TooBusy)
      return sendProblem(response, 'too-busy', 'Too many want something at once. Try again in a moment.')
    request.log?.error({ err: error }, 'request failed')
    const trouble = troubleOf(error)
    if (trouble) {
      say(trouble[1])
      return sendProblem(response, trouble[0], DETAILS[trouble[0]]!)
    }
    sendProblem(response, 'server-failed', 'Something went wrong here; nothing was changed. Try again.')
  }
