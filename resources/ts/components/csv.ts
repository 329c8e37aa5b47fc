/** A text as a field of a line of CSV (RFC 4180). */
export const quoted = (text: string) => `"${text.replaceAll('"', '""')}"`
