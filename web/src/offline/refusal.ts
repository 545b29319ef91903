/** Which answers mean that the server will never take something, and which that it cannot just now. */
import { ApiError } from '@/api/client'

// wrong in itself, of somebody else, gone, taken already, or too large; all else may be better later
const REFUSALS = [400, 403, 404, 409, 410, 413, 415, 422]

// no code of ours at all; a page whose sign-in ended; a second factor to be set up first; what is said for want of better
const PASSING = ['', 'csrf', 'second_factor', 'http_error']

/**
 * Whether an error is our server's last word on what was sent: 401, 429 and a failing server are not, nor is what
 * somebody between says, a portal or a proxy, who knows nothing of our kinds of refusal.
 */
export function isRefusal(error: unknown): error is ApiError {
  return error instanceof ApiError && !PASSING.includes(error.code) && REFUSALS.includes(error.status)
}
