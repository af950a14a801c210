import type { LiveNews } from '@dewpoint/contract'
import type { Person } from '@dewpoint/core/casebook'
import { onBeforeUnmount, onMounted, shallowRef, watch, type Ref } from 'vue'
import { lapsed, me } from '../keeping/who.ts'

/** after this without a stream, ms, whoever shows something asks for themselves */
const patience = 12_000
/** what was told and could not be fetched is asked for again after this, ms, then more and more seldom */
const soon = 1000

/**
 * Listens to what others write while the page is looked at. Each time the stream begins, also anew, `ask` is called once everything after it is told:
 * whoever was away asks for what is new since, so nothing is missed and nothing comes twice. Without a stream `ask` is called now and then.
 *
 * @param ask fetches what is new; gives whether the server answered
 * @param heard whether something new concerns this page
 */
export function useLive(caseId: Ref<string> | null, ask: () => Promise<boolean>, heard: (news: NonNullable<LiveNews['changed']>) => boolean) {
  /** who else looks at this case */
  const present = shallowRef<Person[]>([])
  let stream: EventSource | null = null
  let timer = 0
  let asking = false
  let retry = 0
  let again = false
  let here = false

  /** one question at a time; what comes meanwhile is one more, and one without an answer is asked again */
  function askNow(pause = soon): void {
    window.clearTimeout(retry)
    if (asking) {
      again = true
      return
    }
    asking = true
    void ask()
      .catch(() => false)
      .then((answered) => {
        asking = false
        if (!here || stream === null) return
        if (!answered) retry = window.setTimeout(() => askNow(Math.min(pause * 2, patience)), pause)
        else if (again) askNow()
        again = false
      })
  }

  function begin(): void {
    stop()
    if (!here || document.visibilityState !== 'visible' || !me.value || lapsed.value) return
    const now = new EventSource(`/api/live${caseId ? `?case=${caseId.value}` : ''}`)
    stream = now
    now.onopen = () => window.clearInterval(timer)
    now.onmessage = ({ data }: MessageEvent<string>) => {
      const news = JSON.parse(data) as LiveNews
      if (news.begun) askNow()
      if (news.present) present.value = news.present
      if (news.changed && heard(news.changed)) askNow()
    }
    now.onerror = () => {
      present.value = []
      window.clearInterval(timer)
      timer = window.setInterval(() => askNow(), patience)
      // a browser gives up on an answer that is no stream: it is begun anew
      if (now.readyState === EventSource.CLOSED) window.setTimeout(() => stream === now && begin(), patience)
    }
    timer = window.setInterval(() => askNow(), patience)
  }
  function stop(): void {
    stream?.close()
    stream = null
    window.clearInterval(timer)
    window.clearTimeout(retry)
    present.value = []
  }

  onMounted(() => {
    here = true
    document.addEventListener('visibilitychange', begin)
    // signal is back: nobody waits for the next try
    window.addEventListener('online', begin)
    begin()
  })
  onBeforeUnmount(() => {
    here = false
    document.removeEventListener('visibilitychange', begin)
    window.removeEventListener('online', begin)
    stop()
  })
  watch([() => me.value?.id, lapsed, ...(caseId ? [caseId] : [])], begin)
  return { present }
}
