import { describe, expect, it } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { tellAddress, watchAddress } from './address.ts'

function app() {
  let arrive = () => {}
  const slow = new Promise<{ default: object }>((done) => (arrive = () => done({ default: {} })))
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/tool', component: {} },
      { path: '/case', component: () => slow },
    ],
  })
  watchAddress(router)
  return { router, arrive: () => arrive() }
}

describe('what a page says in its address', () => {
  it('is written part by part, none taking another out again', async () => {
    const { router } = app()
    await router.push('/tool?kept=1')
    await Promise.all([tellAddress(router, { one: '1' }), tellAddress(router, { two: '2' }), tellAddress(router, { kept: undefined })])
    expect(router.currentRoute.value.fullPath).toBe('/tool?one=1&two=2')
  })

  it('calls nobody back who is on the way to a page that is still being fetched, and writes nothing there', async () => {
    const { router, arrive } = app()
    await router.push('/tool')
    const going = router.push('/case')
    // the way is begun before anything else can be written
    await Promise.resolve()
    await new Promise<void>((go) => setTimeout(go))
    const told = tellAddress(router, { one: '1' })
    arrive()
    await Promise.all([going, told])
    expect(router.currentRoute.value.fullPath).toBe('/case')
    await tellAddress(router, { two: '2' })
    expect(router.currentRoute.value.fullPath).toBe('/case?two=2')
  })
})
