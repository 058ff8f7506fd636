/** Talking to the server: JSON over HTTP, problem details turned into errors that people can read. */
import type { ProblemCode, ProblemDetails } from '@tachymetra/core/wire'
import { lastHeard, noteHeard } from './heard.js'
import { shared } from './shared.js'

/** Problems in words of our own; the others are told in the server's, which name what is wrong. */
const WORDS: Partial<Record<ProblemCode, string>> = {
  'not-allowed-from-here': 'This page was opened under an address the server does not answer to.',
  'not-in-set': 'This problem is none of its session, so it was not stored.',
  'stored-otherwise': 'Something else is stored already in its place.',
  'too-large': 'This is too large to be sent.',
}

/** The server answered, and refused. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    /** Which problem it is; undefined where the answer does not say. */
    readonly code: ProblemCode | undefined,
    detail: string,
  ) {
    super((code && WORDS[code]) ?? detail)
  }

  /** May the same be taken later? */
  get passing(): boolean {
    return !FINAL.includes(this.status)
  }
}

/** The server could not be reached; trying again later may work. */
export class Unreachable extends Error {
  constructor() {
    super('The server does not answer. Is it running?')
  }
}

/** What a server that fails may know of why. */
const FAILURES: Partial<Record<ProblemCode, string>> = {
  'disk-full': 'The disk of the server is full, so nothing can be stored there. Tell whoever looks after it.',
  'database-damaged': 'The database of the server is damaged. Tell whoever looks after it.',
  'too-busy': 'The server has too much to do just now. Try again in a moment.',
}

/** Did the server answer when it was last asked? */
const reached = shared(true)
export const useReached = reached.use

/** From when it is what is shown in place of an answer, by the address asked; in milliseconds since 1970. */
const from = shared<Readonly<Record<string, number>>>({})
export const useHeardFrom = from.use

/** How often a server that does not answer is asked whether it is back, in milliseconds. */
const KNOCK_MS = 2000
let knocking = false
let onReturn: () => void = () => {}

/** @param back called when the server answers again */
export function followServer(back: () => void): void {
  onReturn = back
}

/** From here on it is asked now and then, until it answers. */
function away(): void {
  reached.set(false)
  if (typeof window === 'undefined') return
  if (knocking) return
  knocking = true
  setTimeout(async () => {
    knocking = false
    try {
      await call('GET', '/health')
      onReturn()
    } catch {
      // It goes on being asked.
    }
  }, KNOCK_MS)
}

/** The server failed at this request; trying again later may work, and others may be well. */
export class Failed extends Error {
  constructor(readonly code?: ProblemCode) {
    super((code && FAILURES[code]) ?? 'Something went wrong in the server. Try again.')
  }
}

/** Refusals of what was sent: it would be refused again. Every other says nothing of it, and later it may be taken. */
const FINAL = [400, 409, 410, 413, 422]

const PATIENCE_MS = 10_000
/** For what keeps the server at work a while, such as making the demo or counting everything again. */
export const LONG_MS = 120_000

/**
 * @param patienceMs how long an answer is waited for
 * What is only read is answered with what was last said to the same, where the server does not answer now.
 * @throws Refusal for a 4xx answer, Failed when the server itself failed, Unreachable when there is no answer.
 */
export async function call<T>(
  method: 'GET' | 'PUT' | 'PATCH' | 'POST' | 'DELETE',
  path: string,
  body?: unknown,
  patienceMs = PATIENCE_MS,
): Promise<T> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, {
      method,
      signal: AbortSignal.timeout(patienceMs),
      ...(body !== undefined && {
        body: JSON.stringify(body),
        headers: { 'Content-Type': 'application/json' },
      }),
    })
  } catch {
    away()
    const heard = method === 'GET' ? await lastHeard(path) : undefined
    if (!heard) throw new Unreachable()
    from.set({ ...from.get(), [path]: heard.at })
    return heard.body as T
  }
  if (!reached.get()) {
    reached.set(true)
    from.set({})
  }
  if (!response.ok) {
    const details = (await response.json().catch(() => undefined)) as ProblemDetails | undefined
    if (response.status >= 500) throw new Failed(details?.code)
    throw new Refusal(response.status, details?.code, details?.detail ?? 'The server refused this.')
  }
  const answer = (await response.json()) as T
  if (method === 'GET') noteHeard(path, answer)
  return answer
}
