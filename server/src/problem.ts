/** Errors as RFC 9457 problem details. Whatever goes wrong, nothing has been changed. */
import { InputError } from '@tachymetra/core/problem'
import { check, type ProblemDetails } from '@tachymetra/core/wire'
import type { ErrorRequestHandler, Response } from 'express'
import type Joi from 'joi'

const TITLES: Record<number, string> = {
  400: 'The request cannot be read',
  403: 'Not allowed from here',
  404: 'Not found',
  409: 'Already stored with other contents',
  413: 'Too large',
  415: 'Another kind of content is wanted',
  422: 'Not acceptable as it stands',
  500: 'The server failed',
}

/** Thrown by a route; answered as problem details. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    detail: string,
  ) {
    super(detail)
  }
}

/** The checked value. @throws HttpProblem 422 that names every fault. */
export function checked<T>(schema: Joi.Schema<T>, value: unknown, convert = false): T {
  const result = check(schema, value, convert)
  if ('error' in result) throw new HttpProblem(422, result.error)
  return result.value
}

/** The value, unless it is missing. @throws HttpProblem 404. */
export function found<T>(value: T | undefined, what: string): T {
  if (value === undefined) throw new HttpProblem(404, `There is no such ${what}.`)
  return value
}

export function sendProblem(response: Response, status: number, detail: string): void {
  const body: ProblemDetails = { type: 'about:blank', title: TITLES[status] ?? 'Refused', status, detail }
  response.status(status).type('application/problem+json').send(JSON.stringify(body))
}

const BODY_FAULTS: Record<string, string> = {
  'entity.parse.failed': 'The body is not well-formed JSON.',
  'entity.too.large': 'The body is larger than 256 kB.',
  'charset.unsupported': 'The body must be UTF-8.',
  'encoding.unsupported': 'The body comes in an encoding that is not known here.',
}

export const problemHandler: ErrorRequestHandler = (error, request, response, _next) => {
  if (error instanceof HttpProblem) return sendProblem(response, error.status, error.message)
  if (error instanceof InputError) return sendProblem(response, 422, error.message)
  const status = Number(error?.status)
  if (status >= 400 && status < 500)
    return sendProblem(response, status, BODY_FAULTS[error.type] ?? 'The request cannot be read.')
  request.log?.error({ err: error }, 'request failed')
  sendProblem(response, 500, 'Something went wrong here; nothing was changed. Try again.')
}
