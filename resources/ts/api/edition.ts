const SCRIPTS = 'script[type=module][src*="/build/assets/"]'

/**
 * Whether the program behind this page has been changed for another version since the page was loaded: then the page that stands
 * at this address begins with another script, for the names of scripts have the sum of what is in them.
 */
export async function isOlder(page: Document = document, address: string = location.pathname): Promise<boolean> {
  const script = page.querySelector<HTMLScriptElement>(SCRIPTS)
  if (!script) return false
  try {
    const answer = await fetch(address, { headers: { Accept: 'text/html' }, cache: 'no-store' })
    const now = await answer.text()
    return answer.ok && now.includes('/build/assets/') && !now.includes(new URL(script.src).pathname)
  } catch {
    return false
  }
}
