import { nextTick } from 'vue'
import { createRouter, createWebHistory, type RouteLocationNormalized } from 'vue-router'
import { goneWithin, land } from './shared/landing.ts'
import { isMissingPart, missingPart } from './shared/missingPart.ts'
import TodayPage from './today/TodayPage.vue'

const newDraft = () => `${Date.now().toString(36)}${Math.random().toString(36).slice(2, 8)}`

const staysAt = (to: RouteLocationNormalized, from: RouteLocationNormalized) => to.meta.stays === true && to.path === from.path

/** Every place has an address of its own; what only a case needs is loaded with the case. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'today', component: TodayPage, meta: { title: 'Today' } },
    {
      path: '/new',
      name: 'new',
      component: () => import('./case/NewCallPage.vue'),
      // what is typed of a call is kept under a name that stands in the address: a reload finds it, another tab has its own
      beforeEnter: (to) => (typeof to.query.draft === 'string' ? true : { ...to, query: { ...to.query, draft: newDraft() }, replace: true }),
      props: (to) => ({ draft: String(to.query.draft).slice(0, 40) }),
      meta: { title: 'New call' },
    },
    {
      path: '/case/:id/:phase(call|look|trace|wiring|repair|prove|report)?',
      name: 'case',
      component: () => import('./case/CasePage.vue'),
      props: true,
      meta: { title: 'Case' },
    },
    { path: '/boiler/:id', name: 'boiler', component: () => import('./boiler/BoilerPage.vue'), props: true, meta: { title: 'Boiler' } },
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
    { path: '/van', name: 'van', component: () => import('./van/VanPage.vue'), meta: { title: 'Van' } },
    { path: '/firm', name: 'firm', component: () => import('./firm/FirmPage.vue'), meta: { title: 'Firm settings' } },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./shared/pieces/NowherePage.vue'), meta: { title: 'Nothing here' } },
  ],
  scrollBehavior: (to, from) => (staysAt(to, from) ? false : { top: 0 }),
})

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
