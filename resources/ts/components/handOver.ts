/** Copies as Ctrl+C does it: a page that is not served safely may not write to the clipboard in any other way. */
export function copyText(text: string): boolean {
  const field = document.createElement('textarea')
  field.value = text
  field.style.position = 'fixed'
  field.style.opacity = '0'
  document.body.append(field)
  field.select()
  const done = document.execCommand('copy')
  field.remove()
  return done
}

/** Gives the browser a file to save. */
export function saveFile(name: string, content: Blob): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(content)
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
}
