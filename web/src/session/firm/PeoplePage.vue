<script setup lang="ts">
import { roles, type CodeGiven, type Member, type MemberChange, type MemberLine, type Members, type Role } from '@dewpoint/contract'
import { computed, onMounted, reactive, ref, shallowRef } from 'vue'
import { askCode, fetchPeople, Refused, sendMember, sendMemberChange } from '../../keeping/api.ts'
import ModalSheet from '../../shared/pieces/ModalSheet.vue'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import { ago, day } from '../../shared/times.ts'
import { roleSays, roleWords } from '../roleWords.ts'

/** Who is in the firm: the owner says who comes, what they may, and who has left. */
const members = shallowRef<Members | null>(null)
const trouble = ref('')
const form = reactive({ name: '', role: 'engineer' as Role, same: true })
const problems = ref<Record<string, string>>({})
/** shown once: nobody else sees it, and it is kept nowhere in the clear */
const given = shallowRef<CodeGiven | null>(null)
const choices = roles.map((one) => ({ value: one, title: `${roleWords[one]}: ${roleSays[one]}` }))
const wroteBefore = computed(() => members.value?.byNameOnly.find((one) => one.name === form.name.trim()))
const staying = computed(() => members.value?.people.filter((one) => !one.left) ?? [])
const gone = computed(() => members.value?.people.filter((one) => one.left) ?? [])

async function load() {
  try {
    members.value = await fetchPeople()
    trouble.value = ''
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
onMounted(load)

async function doing(work: () => Promise<void>) {
  trouble.value = ''
  problems.value = {}
  try {
    await work()
    await load()
  } catch (error) {
    if (error instanceof Refused && error.problem.fields?.length)
      problems.value = Object.fromEntries(error.problem.fields.map((one) => [one.field, one.message.replace(/^./, (first) => first.toUpperCase())]))
    else trouble.value = error instanceof Refused ? error.problem.detail : 'The server does not answer: try again when there is signal.'
  }
}
const add = () =>
  doing(async () => {
    given.value = await sendMember({ name: form.name.trim(), role: form.role, same: wroteBefore.value !== undefined && form.same })
    form.name = ''
  })
const change = (one: Member, what: MemberChange) => doing(async () => void (await sendMemberChange(one.id, what)))
const code = (one: Member) => doing(async () => void (given.value = await askCode(one.id)))
const standing = (one: MemberLine) => (one.signsIn ? (one.seenAt ? `seen ${ago(one.seenAt)}` : 'signs in') : 'no pass phrase yet')
</script>

<template>
  <main class="people">
    <router-link :to="{ name: 'you' }" class="eyebrow back">You and this device</router-link>
    <h1>People</h1>
    <p v-if="trouble" role="alert" class="trouble">{{ trouble }}</p>
    <ul v-if="members" class="list" aria-label="People of the firm">
      <li v-for="one in staying" :key="one.id">
        <span class="what">
          <strong>{{ one.name }}</strong> <span class="dim">{{ standing(one) }}</span>
        </span>
        <PlainSelect
          :model-value="one.role"
          :items="roles.map((role) => ({ value: role, title: roleWords[role] }))"
          :label="`${one.name} is`"
          @update:model-value="change(one, { role: $event as Role })"
        />
        <span class="acts">
          <v-btn size="small" :aria-label="`New code for ${one.name}`" @click="code(one)">New code</v-btn>
          <v-btn size="small" variant="text" :aria-label="`${one.name} has left`" @click="change(one, { left: true })">Has left</v-btn>
        </span>
      </li>
    </ul>
    <details v-if="gone.length > 0">
      <summary>{{ gone.length === 1 ? 'One has' : `${gone.length} have` }} left</summary>
      <ul class="list">
        <li v-for="one in gone" :key="one.id">
          <span class="what">{{ one.name }}</span>
          <span />
          <v-btn size="small" :aria-label="`${one.name} is back`" @click="change(one, { left: false })">Is back</v-btn>
        </li>
      </ul>
    </details>

    <section aria-labelledby="new-title">
      <h2 id="new-title">Somebody new</h2>
      <form novalidate @submit.prevent="add">
        <v-text-field v-model="form.name" label="Name" maxlength="120" autocomplete="off" list="wrote-before" :error-messages="problems.name" />
        <datalist id="wrote-before">
          <option v-for="one in members?.byNameOnly ?? []" :key="one.name" :value="one.name" />
        </datalist>
        <PlainSelect v-model="form.role" :items="choices" label="What they may" />
        <label v-if="wroteBefore" class="same">
          <input v-model="form.same" type="checkbox" />
          It is the {{ wroteBefore.name }} who wrote {{ wroteBefore.entries }} {{ wroteBefore.entries === 1 ? 'entry' : 'entries' }} here before people signed
          in
        </label>
        <v-btn type="submit" color="primary" variant="flat" :disabled="form.name.trim().length < 2">Add, and give a code</v-btn>
      </form>
    </section>

    <ModalSheet :model-value="given !== null" label="code-title" @update:model-value="given = null">
      <h1 id="code-title" tabindex="-1" autofocus>Code for {{ given?.person.name }}</h1>
      <p>Give it to them yourself. With it they choose their pass phrase: <em>I have a code</em> at the door.</p>
      <p class="code mono">{{ given?.code }}</p>
      <p class="dim">It is used once, is good until {{ given && day(given.until) }}, and is shown only now.</p>
      <v-btn color="primary" variant="flat" @click="given = null">Done</v-btn>
    </ModalSheet>
  </main>
</template>

<style scoped>
.people {
  width: 100%;
  max-width: 860px;
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
  font-size: 1.1875rem;
  margin-bottom: 10px;
}
section {
  margin-top: 28px;
  padding-top: 18px;
  border-top: 1px solid var(--rule);
}
.list {
  list-style: none;
  margin: 10px 0;
  padding: 0;
}
.list li {
  display: grid;
  grid-template-columns: 1fr 200px auto;
  align-items: center;
  gap: 6px 16px;
  min-height: 68px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
.what {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
}
.acts {
  display: flex;
  gap: 6px;
}
form {
  display: grid;
  gap: 12px;
  max-width: 560px;
}
form > .v-btn {
  justify-self: start;
}
.same {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 44px;
}
.same input {
  width: 22px;
  height: 22px;
  accent-color: var(--copper);
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
}
.code {
  margin: 12px 0;
  font-size: 1.5rem;
  user-select: all;
}
.trouble {
  color: var(--stop);
  font-weight: 600;
}
@media (max-width: 760px) {
  .people {
    padding: 12px 16px 90px;
  }
  .list li {
    grid-template-columns: 1fr 1fr;
  }
  .what {
    grid-column: 1 / -1;
  }
}
</style>
