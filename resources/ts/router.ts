import { createRouter, createWebHistory, type Router } from 'vue-router'
import { useSession } from './api/session'
import { loadWholeWhatIsMissing } from './frame/newer'
import { mayLeave } from './kinds/halfFilled'

/** The pages in the order of work; the most used ones stand along the lower edge of a phone. */
export const places = [
  { path: '/', name: 'Overview', isMostUsed: true },
  { path: '/ports', name: 'Ports', isMostUsed: true },
  { path: '/patch', name: 'Patch', isMostUsed: true },
  { path: '/universes', name: 'Universes', isMostUsed: true },
  { path: '/routes', name: 'Routes', isMostUsed: true },
  { path: '/programme', name: 'Programme', isMostUsed: false },
  { path: '/timeline', name: 'Timeline', isMostUsed: false },
  { path: '/surfaces', name: 'Surfaces', isMostUsed: false },
  { path: '/live', name: 'Live', isMostUsed: false },
  { path: '/scope', name: 'Scope', isMostUsed: false },
  { path: '/packets', name: 'Packets', isMostUsed: false },
  { path: '/stand-ins', name: 'Stand-ins', isMostUsed: false },
  { path: '/show', name: 'Show', isMostUsed: false },
  { path: '/history', name: 'History', isMostUsed: false },
  { path: '/machine', name: 'Machine', isMostUsed: false },
] as const
export type Place = (typeof places)[number]
export const isHere = (place: Place, path: string) => (place.path === '/' ? path === '/' : path.startsWith(place.path))

export function makeRouter(): Router {
  const router = createRouter({
    history: createWebHistory(),
    routes: [
      { path: '/login', component: () => import('./login/LoginPage.vue'), meta: { open: true } },
      { path: '/', component: () => import('./overview/OverviewPage.vue') },
      { path: '/ports/:id?', component: () => import('./ports/PortsPage.vue') },
      { path: '/patch/:id?', component: () => import('./patch/PatchPage.vue') },
      { path: '/patch-sheet', component: () => import('./patch/SheetPage.vue') },
      { path: '/patch-groups/:id?', component: () => import('./patch/GroupsPage.vue') },
      { path: '/patch-pixels/:id?', component: () => import('./patch/PixelsPage.vue') },
      { path: '/patch-profiles/:id?', component: () => import('./patch/ProfilesPage.vue') },
      { path: '/universes/:id?', component: () => import('./universes/UniversesPage.vue') },
      { path: '/scope', component: () => import('./scope/ScopePage.vue') },
      { path: '/routes-offers/:id?', component: () => import('./offers/OffersPage.vue') },
      { path: '/routes-sheet', component: () => import('./routes/SheetPage.vue') },
      { path: '/routes-unanswered', component: () => import('./routes/UnansweredPage.vue') },
      { path: '/routes/:id?', component: () => import('./routes/RoutesPage.vue') },
      { path: '/programme/:id?', component: () => import('./programme/LooksPage.vue') },
      { path: '/programme-lists/:id?', component: () => import('./programme/ListsPage.vue') },
      { path: '/programme-masters/:id?', component: () => import('./programme/MastersPage.vue') },
      { path: '/programme-waves/:id?', component: () => import('./programme/WavesPage.vue') },
      { path: '/programme-tempo/:id?', component: () => import('./programme/TempoPage.vue') },
      { path: '/timeline/:id?', component: () => import('./timeline/TimelinesPage.vue') },
      { path: '/timeline-codes/:id?', component: () => import('./timeline/TimecodesPage.vue') },
      { path: '/timeline-day/:id?', component: () => import('./timeline/TimetablePage.vue') },
      { path: '/timeline-desks/:id?', component: () => import('./timeline/DesksPage.vue') },
      { path: '/timeline-tapes', component: () => import('./timeline/TapesPage.vue') },
      { path: '/timeline-edit/:id', component: () => import('./timeline/EditPage.vue') },
      { path: '/surfaces/:id?', component: () => import('./surfaces/SurfacesPage.vue') },
      { path: '/surfaces-panels/:id?', component: () => import('./surfaces/PanelsPage.vue') },
      { path: '/surfaces-build/:id/:page?', component: () => import('./surfaces/BuildPage.vue') },
      { path: '/live', component: () => import('./programme/LivePage.vue') },
      { path: '/stand-ins', component: () => import('./standins/StandInsPage.vue') },
      { path: '/packets', component: () => import('./packets/PacketsPage.vue') },
      { path: '/show', component: () => import('./show/ShowPage.vue') },
      { path: '/history', component: () => import('./history/HistoryPage.vue') },
      { path: '/machine', component: () => import('./machine/MachinePage.vue') },
      { path: '/people', component: () => import('./people/PeoplePage.vue') },
      { path: '/:anything(.*)', component: () => import('./frame/NothingHere.vue') },
    ],
  })
  router.beforeEach(async (to, from) => {
    const answer = to.fullPath === from.fullPath ? 'leave' : await mayLeave()
    // What was stored meanwhile takes its own step first, to what it stored; then they get where they wanted to go.
    if (answer === 'stored') setTimeout(() => void router.push(to.fullPath))
    if (answer !== 'leave') return false
    const session = useSession()
    await session.load()
    if (!session.user && !to.meta.open) return { path: '/login', query: { next: to.fullPath } }
    if (session.user && to.path === '/login') return '/'
    return true
  })
  loadWholeWhatIsMissing(router)
  return router
}
