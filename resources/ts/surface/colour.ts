/** Colours at full brightness: hue 0 to 1, saturation 0 to 1, and back. Source: the HSV model, as CSS Color 4 describes hue and saturation (from memory). */
const two = (share: number) =>
  Math.round(share * 255)
    .toString(16)
    .padStart(2, '0')

export function asHex(hue: number, saturation: number): string {
  const part = (offset: number) => {
    const k = (offset + hue * 6) % 6
    return 1 - saturation * Math.max(0, Math.min(k, 4 - k, 1))
  }
  return `#${two(part(5))}${two(part(3))}${two(part(1))}`
}

export function hueOf(hex: string): { hue: number; saturation: number } {
  const [red, green, blue] = [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16) / 255) as [number, number, number]
  const most = Math.max(red, green, blue)
  const way = most - Math.min(red, green, blue)
  if (way === 0) return { hue: 0, saturation: 0 }
  const sixth = most === red ? (green - blue) / way : most === green ? 2 + (blue - red) / way : 4 + (red - green) / way
  return { hue: (((sixth / 6) % 1) + 1) % 1, saturation: way / most }
}
