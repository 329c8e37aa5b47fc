/** One thing that is wrong with what was sent: where, what, and what is allowed. */
export interface Fault {
  path: string
  problem: string
  allowed: string
}

/** Where a fault is, within the part that a form is about: "receive/port" of "/ports/3/receive/port". */
export const within = (path: string) => path.replace(/^\/\w+\/\d+\/?/, '')

/** The server said no, in words for a person. */
export class Refused extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly faults: Fault[] = [],
  ) {
    super(message)
  }
}

function cookie(name: string): string {
  const found = document.cookie.split('; ').find((part) => part.startsWith(`${name}=`))
  return found ? decodeURIComponent(found.slice(name.length + 1)) : ''
}

/**
 * Speaks to our own API. A string body goes out as it is; anything else as JSON.
 * With a base, what others have changed since that revision is not overwritten.
 */
export async function call<T>(method: string, path: string, body?: unknown, base?: number): Promise<T> {
  let response: Response
  try {
    response = await fetch(`/api/${path}`, {
      method,
      headers: {
        Accept: 'application/json',
        'Content-Type': 'application/json',
        'X-XSRF-TOKEN': cookie('XSRF-TOKEN'),
        ...(base === undefined ? {} : { 'X-Base-Revision': String(base) }),
      },
      body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
    })
  } catch {
    throw new Refused('The web server does not answer. What is live goes on without it; try again in a moment.', 0)
  }
  const answer = await response.json().catch(() => ({}))
  if (!response.ok)
    throw new Refused(answer.message ?? `The server answered ${response.status}.`, response.status, answer.faults ?? [])
  return answer as T
}
