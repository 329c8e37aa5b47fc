/** The offer that a route of the engine belongs to, where it is none of the show's own: its parts are parted by dots. */
export const offerOf = (route: string) => (route.startsWith('offer.') ? route.split('.')[1] : undefined)
/** Where a route that did something is seen. */
export function placeOfRoute(route: string): string {
  const offer = offerOf(route)
  return offer === undefined ? `/routes/${route}` : `/routes-offers/${offer}`
}
