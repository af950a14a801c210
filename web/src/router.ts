import { nextTick } from 'vue'
import { createRouter, createWebHistory } from 'vue-router'
import { goneWithin, land } from './shared/landing.ts'
import { isMissingPart, missingPart } from './shared/missingPart.ts'
import TodayPage from './today/TodayPage.vue'

const newDraft = () => `${Date.now().toString(36)}${Math.random().toString(36).slice(2, 8)}`

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
    { path: '/bench/wiring', name: 'bench', component: () => import('./bench/WiringBench.vue'), meta: { title: 'Bench' } },
    { path: '/van', name: 'van', component: () => import('./van/VanPage.vue'), meta: { title: 'Van' } },
    { path: '/firm', name: 'firm', component: () => import('./firm/FirmPage.vue'), meta: { title: 'Firm settings' } },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./shared/pieces/NowherePage.vue'), meta: { title: 'Nothing here' } },
  ],
  scrollBehavior: () => ({ top: 0 }),
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
  if (from.matched.length === 0) return
  goneWithin()
  void nextTick(land)
})
