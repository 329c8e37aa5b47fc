import { createRouter, createWebHistory, type Router } from 'vue-router'
import { useSession } from './api/session'

export const places = [
  { path: '/', name: 'Overview' },
  { path: '/ports', name: 'Ports' },
  { path: '/patch', name: 'Patch' },
  { path: '/universes', name: 'Universes' },
  { path: '/scope', name: 'Scope' },
  { path: '/routes', name: 'Routes' },
  { path: '/stand-ins', name: 'Stand-ins' },
  { path: '/packets', name: 'Packets' },
  { path: '/show', name: 'Show' },
  { path: '/history', name: 'History' },
] as const

export function makeRouter(): Router {
  const router = createRouter({
    history: createWebHistory(),
    routes: [
      { path: '/login', component: () => import('./login/LoginPage.vue'), meta: { open: true } },
      { path: '/', component: () => import('./overview/OverviewPage.vue') },
      { path: '/ports/:id?', component: () => import('./ports/PortsPage.vue') },
      { path: '/patch/:id?', component: () => import('./patch/PatchPage.vue') },
      { path: '/universes/:id?', component: () => import('./universes/UniversesPage.vue') },
      { path: '/scope', component: () => import('./scope/ScopePage.vue') },
      { path: '/routes/:id?', component: () => import('./routes/RoutesPage.vue') },
      { path: '/stand-ins', component: () => import('./standins/StandInsPage.vue') },
      { path: '/packets', component: () => import('./packets/PacketsPage.vue') },
      { path: '/show', component: () => import('./show/ShowPage.vue') },
      { path: '/history', component: () => import('./history/HistoryPage.vue') },
      { path: '/:anything(.*)', redirect: '/' },
    ],
  })
  router.beforeEach(async (to) => {
    const session = useSession()
    await session.load()
    if (!session.user && !to.meta.open) return { path: '/login', query: { next: to.fullPath } }
    if (session.user && to.path === '/login') return '/'
    return true
  })
  return router
}
