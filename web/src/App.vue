<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useFirm } from './firm/firmStore.ts'
import { useOutbox } from './keeping/outbox/outbox.ts'
import { useAppearance } from './shared/look/appearance.ts'
import { useNewer } from './shared/appUpdate.ts'
import KeysDialog from './shared/pieces/KeysDialog.vue'
import { useKeys } from './shared/pieces/keys.ts'
import { missingPart } from './shared/missingPart.ts'
import { me } from './keeping/who.ts'
import { lazyPart } from './shared/missingPart.ts'
import LockScreen from './session/lock/LockScreen.vue'
import EndedPage from './session/door/EndedPage.vue'
import { locked, watchOver } from './session/lock/lock.ts'
import NotForYou from './session/door/NotForYou.vue'
import { initialsOf } from './session/roleWords.ts'
import { askedToProve } from './session/proving.ts'
import { iMay, useSession } from './session/session.ts'
import SignInPage from './session/door/SignInPage.vue'
import OwnChanges from './session/OwnChanges.vue'
import { isUnkept } from './keeping/device/drafts.ts'

const WhoSheet = lazyPart(() => import('./session/WhoSheet.vue'))
const ProveSheet = lazyPart(() => import('./session/ProveSheet.vue'))
const outbox = useOutbox()
const firm = useFirm()
const { newer, goOver } = useNewer()
const appearance = useAppearance()
const route = useRoute()
const router = useRouter()
const keysShown = ref(false)
const session = useSession()
/** the sheet of who works here; where the server asks for it, at signing in */
const whoShown = ref(false)
const signInAgain = ref(false)
const initials = computed(() => initialsOf(me.value?.name ?? ''))
const who = computed(() => route.meta.who)
/** whose entries wait for their writer to sign in here */
const heldOf = computed(() => [
  ...new Set(outbox.items.flatMap((one) => (one.kind === 'entry' && outbox.held.has(one.entry.id) ? [one.entry.authorName] : []))),
])
const atHome = computed(() => route.name === 'today')
const atBench = computed(() => String(route.name).startsWith('bench'))
const atLibrary = computed(() => route.name === 'library' || route.name === 'system')

/** a part that is still missing after a second try may belong to a build that is gone: the page itself is fetched anew */
const again = shallowRef(0)
function fetchAgain() {
  again.value++
  missingPart.value?.()
}
/** past the bar, to where the work is: the next check where there is one */
function toWork() {
  const work = ['main #next-title', 'main h1', 'main'].flatMap((place) => document.querySelector<HTMLElement>(place) ?? [])[0]
  if (!work) return
  work.tabIndex = -1
  work.focus()
}
const reloadPage = () => window.location.reload()

useKeys({ '?': () => (keysShown.value = true), d: () => appearance.toggle() })
onMounted(async () => {
  watchOver()
  await session.look()
  if (me.value) await begin()
})
// whoever signs in finds what the firm has set, and what waits is sent
watch(
  () => me.value?.id,
  (id, before) => void (id && !before && begin()),
)
watch(
  () => me.value?.role,
  () => route.name === 'today' && me.value?.role === 'learner' && router.replace({ name: 'library' }),
)
const begin = () => Promise.allSettled([outbox.reload().then(outbox.flush), firm.load()])
</script>

<template>
  <v-app :class="{ covered: locked }">
    <a href="#work" class="skip" @click.prevent="toWork">Skip to the work</a>
    <header class="bar">
      <router-link :to="{ name: 'today' }" class="mark" :aria-current="atHome ? 'page' : undefined" aria-label="Dewpoint, today’s calls">
        <svg viewBox="0 0 32 32" width="30" height="30" aria-hidden="true">
          <path d="M16 3.5c4.6 5.6 8 10.3 8 15a8 8 0 0 1-16 0c0-4.7 3.4-9.4 8-15Z" />
          <path d="M11.5 20h9" />
        </svg>
        <span class="name">Dewpoint</span>
      </router-link>
      <div id="bar-case" class="bar-case" />
      <div class="bar-end">
        <span v-if="outbox.waiting > 0 && outbox.unsaved.size === 0" class="waiting" role="status">
          {{ outbox.waiting }} {{ outbox.waiting === 1 ? 'entry' : 'entries' }} waiting to send<template v-if="outbox.away">: kept on this device</template
          ><template v-else-if="heldOf.length > 0">, until {{ heldOf.join(' and ') }} {{ heldOf.length === 1 ? 'signs' : 'sign' }} in here</template>
        </span>
        <router-link v-if="me" :to="{ name: 'bench' }" class="place" aria-label="Bench" :aria-current="atBench ? 'page' : undefined">
          <v-icon icon="$bench" aria-hidden="true" /> <span class="place-name">Bench</span>
        </router-link>
        <router-link v-if="me" :to="{ name: 'library' }" class="place" aria-label="Library" :aria-current="atLibrary ? 'page' : undefined">
          <v-icon icon="$library" aria-hidden="true" /> <span class="place-name">Library</span>
        </router-link>
        <button
          v-if="me && !session.ended.value"
          type="button"
          class="writer"
          :title="`Writing as ${me.name}`"
          :aria-label="`Writing as ${me.name}: change`"
          @click="((signInAgain = false), (whoShown = true))"
        >
          {{ initials }}
        </button>
        <v-btn icon="$keys" variant="text" aria-label="Keys (?)" title="Keys (?)" class="wide-only" @click="keysShown = true" />
        <v-btn
          :icon="appearance.isDark() ? '$day' : '$night'"
          variant="text"
          :aria-label="appearance.isDark() ? 'Light' : 'Dark'"
          :title="appearance.isDark() ? 'Light (D)' : 'Dark (D)'"
          @click="appearance.toggle()"
        />
      </div>
    </header>
    <section v-if="outbox.unsaved.size > 0" class="notice grave" role="alert">
      <p>
        <strong
          >Not saved on this device: {{ outbox.unsaved.size }} {{ outbox.unsaved.size === 1 ? 'entry is' : 'entries are' }} in this page only. Do not close
          it.</strong
        >
        {{ outbox.trouble }} Saving and sending are tried again by themselves.
      </p>
      <v-btn @click="outbox.flush()">Try again now</v-btn>
    </section>
    <section v-if="isUnkept" class="notice grave" role="alert">
      <p><strong>What you are typing is not kept on this device</strong>: its storage is full or blocked. Record it before you close or reload this page.</p>
    </section>
    <section v-if="newer !== 'none' && outbox.unsaved.size === 0" class="notice" role="status">
      <p v-if="newer === 'waiting'">A new version of Dewpoint is ready. What you have recorded stays.</p>
      <p v-else>Dewpoint was updated in another tab.</p>
      <v-btn @click="goOver()">{{ newer === 'waiting' ? 'Use the new version' : 'Reload this tab' }}</v-btn>
    </section>
    <section v-if="missingPart" class="notice grave" role="alert">
      <p><strong>This part of Dewpoint could not be fetched.</strong> What you have recorded stays. Try again when there is signal.</p>
      <v-btn @click="fetchAgain">Try again</v-btn>
      <v-btn v-if="again > 1" variant="text" @click="reloadPage">Reload the page</v-btn>
    </section>
    <section v-if="me && session.lapsed.value && !session.ended.value" class="notice" role="status">
      <p><strong>Sign in again.</strong> What you enter stays on this device until then, and is sent after.</p>
      <v-btn @click="((signInAgain = true), (whoShown = true))">Sign in</v-btn>
    </section>
    <OwnChanges v-if="me && !session.lapsed.value && !session.ended.value" :key="me.id" />
    <EndedPage v-if="session.ended.value && me" />
    <SignInPage v-else-if="!me" />
    <NotForYou v-else-if="who && !iMay(who)" :who="who" />
    <router-view v-else v-slot="{ Component, route: shown }">
      <!-- another call is another page: nothing typed for one may end in the next -->
      <component :is="Component" :key="shown.name === 'new' ? String(shown.query.draft) : undefined" />
    </router-view>
    <KeysDialog v-model="keysShown" />
    <WhoSheet v-if="me" v-model="whoShown" :again="signInAgain" />
    <ProveSheet v-if="askedToProve && me" />
    <LockScreen v-if="locked && me" />
  </v-app>
</template>

<style scoped>
/* nothing of what lies behind is seen, not for a moment */
.covered :deep(.v-application__wrap > :not(dialog)) {
  visibility: hidden;
}
.skip {
  position: fixed;
  top: 6px;
  left: 6px;
  z-index: 20;
  padding: 12px 18px;
  border-radius: 8px;
  background: var(--ink);
  color: var(--paper);
  transform: translateY(-200%);
}
.skip:focus {
  transform: none;
}
.bar {
  position: sticky;
  top: 0;
  z-index: 10;
  display: flex;
  align-items: center;
  gap: 20px;
  min-height: var(--bar);
  padding: 0 12px 0 20px;
  border-bottom: 1px solid var(--rule);
  background: var(--paper);
}
.writer {
  min-width: 40px;
  height: 40px;
  border: 1px solid var(--rule);
  border-radius: 50%;
  background: var(--sheet);
  color: var(--ink);
  font-weight: 600;
  cursor: pointer;
}
.mark {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 48px;
  color: inherit;
  text-decoration: none;
}
.mark path {
  fill: none;
  stroke: var(--copper);
  stroke-width: 2.6;
  stroke-linecap: round;
}
.notice {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 18px;
  padding: 10px 20px;
  border-bottom: 1px solid var(--rule);
  border-left: 6px solid var(--copper);
  background: var(--sheet);
}
.notice p {
  margin: 0;
  flex: 1 1 20rem;
}
/* seen wherever the page is scrolled to */
.notice.grave {
  position: sticky;
  top: var(--bar);
  z-index: 9;
  border-left-color: var(--stop);
}
.name {
  font-weight: 600;
  font-size: 1.25rem;
}
.bar-case {
  display: flex;
  justify-content: space-between;
  align-items: center;
  align-self: stretch;
  gap: 16px;
  flex: 1;
  min-width: 0;
}
.bar-end {
  display: flex;
  align-items: center;
}
.place {
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 48px;
  min-width: 48px;
  justify-content: center;
  padding: 0 8px;
  color: inherit;
  text-decoration: none;
  font-weight: 600;
}
.place[aria-current] {
  color: var(--copper);
}
/* in a corner of the window: nothing moves while entries come and go, and nothing that is read or pressed lies under it */
.waiting {
  position: fixed;
  right: 14px;
  bottom: 14px;
  z-index: 9;
  padding: 4px 12px;
  border: 1px solid var(--rule);
  border-radius: 10px;
  background: var(--sheet);
  color: var(--live);
  font-weight: 600;
}
@media (max-width: 760px) {
  /* above the phases */
  .waiting {
    bottom: calc(66px + env(safe-area-inset-bottom));
  }
  .bar {
    gap: 8px;
    padding: 0 4px 0 14px;
  }
  .name,
  .place-name,
  .wide-only {
    display: none;
  }
}
</style>
