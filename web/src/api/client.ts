/** The one way to the server: typed calls, the CSRF token on writes, and failures as one kind of error. */
import createClient from 'openapi-fetch'
import type { paths } from './schema'

let csrfToken = ''

/** Remember the token that the session gave; every write carries it. */
export function rememberCsrfToken(token: string) {
  csrfToken = token
}

/** A refusal by the server, or no answer at all (`status` 0); `fields` tells which inputs are wrong. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly fields: Record<string, string> = {},
    /** Of what somebody else changed meanwhile: how it stands. */
    readonly now: unknown = undefined,
  ) {
    super(message)
  }
}

export const http = createClient<paths>({ baseUrl: '/' })
http.use({
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-CSRFToken', csrfToken)
    return request
  },
})

interface Answer<T> {
  data?: T
  error?: unknown
  response: Response
}

/** Wait for a call and return its data; throws `ApiError`. */
export async function answered<T>(call: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>
  try {
    answer = await call
  } catch {
    throw new ApiError(0, 'No connection to Bullseye. It will work again when the connection is back.')
  }
  if (answer.response.ok) return answer.data as T
  const problem = (answer.error ?? {}) as {
    code?: string
    message?: string
    fields?: Record<string, string>
    now?: unknown
  }
  // a token of a session that ended: the same as not being signed in
  const status = problem.code === 'csrf' ? 401 : answer.response.status
  throw new ApiError(status, problem.message ?? 'The server failed.', problem.fields ?? {}, problem.now)
}
