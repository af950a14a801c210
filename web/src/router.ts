import { officeOnly, ownerOnly, staff, type Role } from '@dewpoint/contract'
import { nextTick } from 'vue'
import { createRouter, createWebHistory, type RouteLocationNormalized } from 'vue-router'
import { me } from './keeping/who.ts'
import { goneWithin, land } from './shared/landing.ts'
import { isMissingPart, missingPart } from './shared/missingPart.ts'
import TodayPage from './today/TodayPage.vue'

const newDraft = () => `${Date.now().toString(36)}${Math.random().toString(36).slice(2, 8)}`

const staysAt = (to: RouteLocationNormalized, from: RouteLocationNormalized) => to.meta.stays === true && to.path === from.path

/** Every place has an address of its own; what only a case needs is loaded with the case. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'today', component: TodayPage, meta: { title: 'Today', who: staff } },
    {
      path: '/new',
      name: 'new',
      component: () => import('./case/NewCallPage.vue'),
      // what is typed of a call is kept under a name that stands in the address: a reload finds it, another tab has its own
      beforeEnter: (to) => (typeof to.query.draft === 'string' ? true : { ...to, query: { ...to.query, draft: newDraft() }, replace: true }),
      props: (to) => ({ draft: String(to.query.draft).slice(0, 40) }),
      meta: { title: 'New call', who: staff },
    },
    {
      path: '/case/:id/:phase(call|look|trace|wiring|repair|prove|report)?',
      name: 'case',
      component: () => import('./case/CasePage.vue'),
      props: true,
      meta: { title: 'Case', who: staff },
    },
    { path: '/boiler/:id', name: 'boiler', component: () => import('./boiler/BoilerPage.vue'), props: true, meta: { title: 'Boiler', who: staff } },
    { path: '/library', name: 'library', component: () => import('./library/LibraryPage.vue'), meta: { title: 'Library' } },
    {
      path: '/library/stories/:story?',
      name: 'stories',
      component: () => import('./library/stories/StoriesPage.vue'),
      props: true,
      meta: { title: 'Stories' },
    },
    { path: '/library/:system', name: 'system', component: () => import('./library/SystemPage.vue'), props: true, meta: { title: 'System' } },
    { path: '/bench', name: 'bench', component: () => import('./bench/BenchPage.vue'), meta: { title: 'Bench' } },
    { path: '/bench/wiring', name: 'bench-wiring', component: () => import('./bench/WiringBench.vue'), meta: { title: 'What should I read? Bench' } },
    { path: '/bench/explain', name: 'bench-explain', component: () => import('./bench/explain/ExplainPage.vue'), meta: { title: 'Explain it', stays: true } },
    {
      path: '/bench/:tool(thermistor|fill|pressure-watch|hot-water|gas-rate|combustion|cylinder)',
      name: 'bench-tool',
      component: () => import('./bench/ToolPage.vue'),
      props: true,
      // what is typed goes into the address: nothing scrolls and no focus moves for it
      meta: { title: 'Bench', stays: true },
    },
    { path: '/van', name: 'van', component: () => import('./van/VanPage.vue'), meta: { title: 'Van', who: staff } },
    { path: '/firm', name: 'firm', component: () => import('./firm/FirmPage.vue'), meta: { title: 'Firm settings', who: officeOnly } },
    { path: '/you', name: 'you', component: () => import('./session/you/YouPage.vue'), meta: { title: 'You and this device' } },
    { path: '/people', name: 'people', component: () => import('./session/firm/PeoplePage.vue'), meta: { title: 'People', who: ownerOnly } },
    { path: '/audit', name: 'audit', component: () => import('./session/firm/AuditPage.vue'), meta: { title: 'Who did what', who: ownerOnly } },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./shared/pieces/NowherePage.vue'), meta: { title: 'Nothing here' } },
  ],
  scrollBehavior: (to, from) => (staysAt(to, from) ? false : { top: 0 }),
})

declare module 'vue-router' {
  interface RouteMeta {
    title: string
    /** who finds something there; missing where everybody does */
    who?: readonly Role[]
    /** what is typed goes into the address */
    stays?: boolean
  }
}

// whoever learns finds no calls, but what there is to learn
router.beforeEach((to) => (to.name === 'today' && me.value?.role === 'learner' ? { name: 'library', replace: true } : true))

router.onError((error, to) => {
  if (!isMissingPart(error)) return
  missingPart.value = () => {
    missingPart.value = null
    return router.push(to)
  }
})

router.afterEach((to, from) => {
  document.title = `${String(to.meta.title)} · Dewpoint`
  if (from.matched.length === 0 || staysAt(to, from)) return
  goneWithin()
  void nextTick(land)
})
