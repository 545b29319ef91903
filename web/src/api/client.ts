/** The one way to the server: typed calls, the CSRF token on writes, and failures as one kind of error. */
import { language, say } from '@/said'
import createClient from 'openapi-fetch'
import { heardAt } from '@/hours'
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
    /** How long the server asks to wait [ms]. */
    readonly waitMs = 0,
    /** The kind of refusal, as the server names it. */
    readonly code = '',
  ) {
    super(message)
  }
}

const PATIENCE_MS = 20_000
/** Of what is large on the way: files, archives, papers. */
const LONG_MS = 300_000
const isLong = (request: Request) =>
  request.headers.get('Content-Type') === 'application/octet-stream' || /\/(archive|tracks)\b/.test(request.url)

/** Ask with a deadline: a request that hangs would otherwise hold up all that come after it, and say nothing. */
async function inTime(request: Request): Promise<Response> {
  const ending = new AbortController()
  request.signal.addEventListener('abort', () => ending.abort(request.signal.reason))
  // it goes on while the answer is being read
  window.setTimeout(() => ending.abort(new DOMException('', 'TimeoutError')), isLong(request) ? LONG_MS : PATIENCE_MS)
  return fetch(request, { signal: ending.signal })
}

export const http = createClient<paths>({ baseUrl: '/', fetch: inTime })
http.use({
  onRequest({ request }) {
    request.headers.set('Accept-Language', language())
    if (request.method !== 'GET') request.headers.set('X-CSRFToken', csrfToken)
    return request
  },
  onResponse({ response }) {
    heardAt(response.headers.get('Date'))
  },
})

/** What Retry-After asks for, in milliseconds. */
const waitOf = ({ headers }: { headers?: Headers }) => 1_000 * (Number(headers?.get('Retry-After')) || 0)

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
  } catch (error) {
    if (error instanceof DOMException && error.name === 'TimeoutError')
      throw new ApiError(0, say('device.bullseye-did-not-answer-in'))
    throw new ApiError(0, say('device.no-connection-to-bullseye-it'))
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
  throw new ApiError(
    status,
    problem.message ?? say('device.the-server-failed'),
    problem.fields ?? {},
    problem.now,
    waitOf(answer.response),
    problem.code,
  )
}
