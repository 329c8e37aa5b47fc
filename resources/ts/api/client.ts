/** One thing that is wrong with what was sent: where, what, and what is allowed. */
export interface Fault {
  path: string
  problem: string
  allowed: string
}

/** A part that somebody else has changed since a form of it was opened; each field that one of both has changed. */
export interface Conflict {
  list: string
  id: string
  name: string
  by: string
  edit: string
  gone: boolean
  fields: { field: string; was: unknown; theirs: unknown; mine: unknown; both: boolean }[]
  theirs: Record<string, unknown> | null
  mine: Record<string, unknown> | null
  joined: Record<string, unknown> | null
}

/** Where a fault is, within the part that a form is about: "receive/port" of "/ports/3/receive/port". */
export const within = (path: string) => path.replace(/^\/\w+\/\d+\/?/, '')

/** The server said no, in words for a person. */
export class Refused extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly faults: Fault[] = [],
    readonly conflicts: Conflict[] = [],
  ) {
    super(message)
  }
}

function cookie(name: string): string {
  const found = document.cookie.split('; ').find((part) => part.startsWith(`${name}=`))
  return found ? decodeURIComponent(found.slice(name.length + 1)) : ''
}

const asSent = (body: unknown) =>
  body === undefined ? undefined : typeof body === 'string' || body instanceof Blob ? body : JSON.stringify(body)

/**
 * Speaks to our own API. A string or a file goes out as it is; anything else as JSON.
 * With a base, what others have changed since that revision is not overwritten.
 */
export async function call<T>(method: string, path: string, body?: unknown, base?: number): Promise<T> {
  let response: Response
  const asked = ask(method, path, body, base)
  pending.add(asked)
  try {
    response = await asked
  } catch {
    throw new Refused('The web server does not answer. What is live goes on without it; try again in a moment.', 0)
  } finally {
    pending.delete(asked)
  }
  const answer = await response.json().catch(() => ({}))
  if (!response.ok)
    throw new Refused(
      answer.message ?? `The server answered ${response.status}.`,
      response.status,
      answer.faults ?? [],
      answer.conflicts ?? [],
    )
  return answer as T
}

const pending = new Set<Promise<Response>>()

/** Everything that was asked for has been answered: an answer that comes after a session has ended would bring it back. */
export const allAnswered = () => Promise.allSettled([...pending])

/** What is short enough arrives also when its page is closed at once (Fetch: 64 KiB of all that are on their way). */
const outlives = (method: string, sent: unknown) =>
  method !== 'GET' && (sent === undefined || (typeof sent === 'string' && sent.length < 6_000))

const ask = (method: string, path: string, body: unknown, base: number | undefined) => {
  const sent = asSent(body)
  return fetch(`/api/${path}`, {
    method,
    keepalive: outlives(method, sent),
    headers: {
      Accept: 'application/json',
      'Content-Type': body instanceof Blob ? 'application/octet-stream' : 'application/json',
      'X-XSRF-TOKEN': cookie('XSRF-TOKEN'),
      'X-Answer': 'changes',
      ...(base === undefined ? {} : { 'X-Base-Revision': String(base) }),
    },
    body: sent,
  })
}
