const day = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' })
const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', second: '2-digit' })

/** In the time of whoever looks; '' where there is none. */
export const dayOf = (at: string) => (at ? day.format(new Date(at)) : '')
export const timeOf = (at: string) => (at ? time.format(new Date(at)) : '')

const short = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
})
export const shortOf = (at: string) => (at ? short.format(new Date(at)) : '')
