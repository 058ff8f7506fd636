/** Talking to the server: JSON over HTTP, problem details turned into errors that people can read. */
import type { ProblemDetails } from '@tachymetra/core/wire'

/** The server answered, and refused. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    detail: string,
  ) {
    super(detail)
  }
}

/** The server could not be reached, or failed; trying again later may work. */
export class Unreachable extends Error {
  constructor() {
    super('The server does not answer. Is it running?')
  }
}

const PATIENCE_MS = 10_000

/** @throws Refusal for a 4xx answer, Unreachable when there is none or the server itself failed. */
export async function call<T>(
  method: 'GET' | 'PUT' | 'PATCH' | 'POST' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<T> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, {
      method,
      signal: AbortSignal.timeout(PATIENCE_MS),
      ...(body !== undefined && {
        body: JSON.stringify(body),
        headers: { 'Content-Type': 'application/json' },
      }),
    })
  } catch {
    throw new Unreachable()
  }
  if (response.status >= 500) throw new Unreachable()
  if (!response.ok) {
    const details = (await response.json().catch(() => undefined)) as ProblemDetails | undefined
    throw new Refusal(response.status, details?.detail ?? 'The server refused this.')
  }
  return (await response.json()) as T
}
