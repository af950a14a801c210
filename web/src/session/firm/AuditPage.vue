<script setup lang="ts">
import type { AuditKind, AuditLine, Members } from '@dewpoint/contract'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { fetchAudit, fetchPeople } from '../../keeping/api.ts'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import { clock, day, exactly } from '../../shared/times.ts'

/** Who read and changed what of the firm and its customers. */
const lines = shallowRef<AuditLine[] | null>(null)
const next = ref<string | null>(null)
const people = shallowRef<Members['people']>([])
const person = ref('')
const about = ref('')
const trouble = ref('')
let question = 0

const kinds: Record<AuditKind, string> = {
  read: 'read',
  changed: 'changed',
  signedIn: 'signed in',
  signedOut: 'signed out',
  refused: 'not let in',
  people: 'changed who may',
  device: 'device',
  exported: 'exported',
  erased: 'erased',
}
const things: Record<string, string> = {
  case: 'a case',
  cases: 'the list of cases',
  places: 'the list of places',
  boiler: 'a boiler’s history',
  picture: 'a picture',
  report: 'a report',
  settings: 'what the firm has set',
  customer: 'a customer’s data',
  person: '',
  device: '',
  handIn: 'what was handed in',
}
async function load(before?: string) {
  const mine = ++question
  try {
    const answer = await fetchAudit({ person: person.value || undefined, about: about.value.trim() || undefined, before })
    if (mine !== question) return
    lines.value = before ? [...(lines.value ?? []), ...answer.lines] : answer.lines
    next.value = answer.next
    trouble.value = ''
  } catch (error) {
    if (mine === question) trouble.value = (error as Error).message
  }
}
onMounted(async () => {
  await load()
  people.value = (await fetchPeople().catch(() => ({ people: [] }))).people
})
watch([person, about], () => load())

const days = computed(() => {
  const by = new Map<string, AuditLine[]>()
  for (const one of lines.value ?? []) by.set(day(one.at), [...(by.get(day(one.at)) ?? []), one])
  return [...by]
})
const isId = (text: string) => /^[0-9a-f-]{36}$/.test(text)
</script>

<template>
  <main class="audit">
    <router-link :to="{ name: 'you' }" class="eyebrow back">You and this device</router-link>
    <h1>Who did what</h1>
    <p class="dim">Who read and who changed what. The same by the same person is told once an hour; each entry of a case stands in its journal besides.</p>
    <div class="asked">
      <PlainSelect v-model="person" :items="[{ value: '', title: 'Everybody' }, ...people.map((one) => ({ value: one.id, title: one.name }))]" label="Person" />
      <v-text-field v-model="about" label="Customer, place or words" maxlength="100" clearable @click:clear="about = ''" />
    </div>
    <p v-if="trouble" role="alert" class="trouble">{{ trouble }}</p>
    <p v-else-if="lines?.length === 0">Nothing of that kind.</p>
    <section v-for="[on, list] in days" :key="on">
      <h2>{{ on }}</h2>
      <ul>
        <li v-for="one in list" :key="one.id">
          <span class="mono dim" :title="exactly(one.at)">{{ clock(one.at) }}</span>
          <span>
            <strong>{{ one.person?.name ?? 'Nobody signed in' }}</strong> {{ kinds[one.kind] }} {{ things[one.of] ?? one.of }}
            <router-link v-if="one.of === 'case' && isId(one.subject)" :to="{ name: 'case', params: { id: one.subject } }">{{
              one.about || 'open it'
            }}</router-link>
            <template v-else-if="one.about && one.about !== one.person?.name">{{
              one.of === 'cases' || one.of === 'places' ? `for “${one.about}”` : one.about
            }}</template>
          </span>
          <span class="dim">{{ one.device }}</span>
        </li>
      </ul>
    </section>
    <v-btn v-if="next" @click="load(next)">Earlier</v-btn>
  </main>
</template>

<style scoped>
.audit {
  width: 100%;
  max-width: 960px;
  margin: 0 auto;
  padding: 24px 20px 60px;
}
.back {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}
h1 {
  font-size: 2rem;
}
h2 {
  margin: 18px 0 4px;
  font-size: 1.0625rem;
}
.asked {
  display: grid;
  grid-template-columns: minmax(180px, 260px) 1fr;
  gap: 12px;
  margin-top: 14px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 56px 1fr auto;
  gap: 4px 14px;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
li a {
  color: var(--copper);
  font-weight: 600;
}
.trouble {
  color: var(--stop);
  font-weight: 600;
}
@media (max-width: 760px) {
  .audit {
    padding: 12px 16px 90px;
  }
  .asked {
    grid-template-columns: 1fr;
  }
  li {
    grid-template-columns: 48px 1fr;
  }
  li > :last-child {
    grid-column: 2;
  }
}
</style>
