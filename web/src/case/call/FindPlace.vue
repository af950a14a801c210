<script setup lang="ts">
import type { KnownAppliance, SiteLine } from '@dewpoint/contract'
import { computed, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { complaintWords } from '../../today/complaintWords.ts'
import { knownAppliance, knownSites } from '../../keeping/device/keptAnswers.ts'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import { day } from '../../shared/times.ts'
import { catalogues } from '@dewpoint/trade'

/** What is typed of a place and a boiler; kept as a draft by whoever holds it. */
export interface PlaceForm {
  name: string
  address: string
  phone: string
  note: string
  system: string
  label: string
  installedOn: string
  place: SiteLine | null
  /** the boiler there that is called about; null for one not known yet */
  boiler: string | null
  /** somebody said that a place of the same name is another one */
  isAnother: boolean
}

const form = defineModel<PlaceForm>({ required: true })
const props = defineProps<{ problems: Record<string, string>; unclear: boolean; systems: { value: string; title: string }[] }>()
const emit = defineEmits<{ known: [appliance: KnownAppliance | null]; looking: [look: Promise<void>]; another: [] }>()

/** from so many letters on places are suggested */
const letters = 3
const found = shallowRef<SiteLine[]>([])
/** the look for what is typed now */
let look: Promise<void> = Promise.resolve()
watch(
  () => form.value.name.trim(),
  (typed) => {
    if (typed.length < letters || form.value.place) {
      found.value = []
      return
    }
    look = knownSites(typed).then((sites) => {
      if (form.value.name.trim() === typed) found.value = sites.slice(0, 6)
    })
    emit('looking', look)
  },
  { immediate: true },
)
/** a boiler chosen by hand stands, whatever is known of the place */
const byHand = ref(false)
function take(one: SiteLine | null) {
  form.value.place = one
  form.value.isAnother = false
  form.value.boiler = one?.appliances.find(({ system }) => !byHand.value || system === form.value.system)?.id ?? null
  if (one) found.value = []
}
const there = computed(() => form.value.place?.appliances.find((one) => one.id === form.value.boiler))
const boilers = computed(() => [
  ...(form.value.place?.appliances.map((one) => ({ value: one.id, title: one.label })) ?? []),
  { value: 'another', title: 'another boiler' },
])
const boilerThere = computed({ get: () => form.value.boiler ?? 'another', set: (id) => (form.value.boiler = id === 'another' ? null : id) })

const known = shallowRef<KnownAppliance | null>(null)
watch(
  () => form.value.boiler,
  async (id) => {
    known.value = null
    emit('known', null)
    if (!id) return
    const told = await knownAppliance(id).catch(() => null)
    if (form.value.boiler !== id) return
    known.value = told
    emit('known', told)
  },
  { immediate: true },
)
const years = computed(() => {
  const at = Date.parse(there.value?.installedOn ?? '')
  return Number.isNaN(at) ? '' : `${Math.max(0, Math.floor((Date.now() - at) / 31_557_600_000))} years`
})
const faultWords = (id: string) => catalogues[there.value?.system ?? '']?.faults.find((one) => one.id === id)?.label ?? id

/** the letters typed, underlined where they were found */
function cut(text: string) {
  const at = text.toLowerCase().indexOf(form.value.name.trim().toLowerCase())
  const end = at + form.value.name.trim().length
  return at < 0 ? [text, '', ''] : [text.slice(0, at), text.slice(at, end), text.slice(end)]
}
/** the first suggestion is an Enter away: the first for what is typed now, which may still be looked for */
async function enter(event: KeyboardEvent) {
  const typed = form.value.name.trim()
  if (typed.length < letters || form.value.place) return
  event.preventDefault()
  await look.catch(() => undefined)
  if (form.value.name.trim() === typed && found.value[0]) take(found.value[0])
}

/** at once, never late: `autofocus` waits for the field to scroll into view and would take the cursor from someone already typing */
const first = useTemplateRef<{ focus(): void }>('first')
onMounted(() => first.value?.focus())
</script>

<template>
  <section class="who" aria-labelledby="place-title">
    <h2 id="place-title" class="eyebrow">Who and where</h2>
    <template v-if="form.place">
      <div class="place">
        <p>
          <strong>{{ form.place.name }}</strong><br /><span class="dim">{{ form.place.address || 'address not known' }}</span
          ><br /><span class="dim">{{ form.place.phone || 'telephone not known' }}</span>
          <template v-if="form.place.note"><br />{{ form.place.note }}</template>
        </p>
        <v-btn variant="text" @click="take(null)">Another place</v-btn>
      </div>
      <v-text-field
        v-if="!form.place.phone"
        v-model="form.phone"
        label="Telephone, if they give it"
        maxlength="40"
        inputmode="tel"
        autocomplete="off"
        :error-messages="problems['site.phone']"
      />
      <PlainSelect v-model="boilerThere" :items="boilers" label="Boiler there" />
      <div v-if="there" class="there">
        <p class="dim">{{ [catalogues[there.system]?.system.label, years].filter(Boolean).join(' · ') }}</p>
        <ol v-if="known && known.visits.length > 0" aria-label="Last visits">
          <li v-for="one in known.visits.slice(0, 3)" :key="one.id">
            <span class="mono day">{{ day(one.openedAt) }}</span>
            <span
              >{{ complaintWords(one.complaints) }}
              <span class="dim">{{ one.faults.length > 0 ? one.faults.map(faultWords).join(', ') : one.closed ? 'nothing proved' : 'still open' }}</span></span
            >
          </li>
        </ol>
        <p v-else-if="known" class="dim">No visits written down yet.</p>
      </div>
    </template>
    <template v-else>
      <v-text-field
        ref="first"
        v-model="form.name"
        label="Customer or place: name, street or number"
        maxlength="120"
        autocomplete="off"
        :error-messages="problems['site.name']"
        @keydown.enter="enter"
      />
      <div v-if="found.length > 0" id="known-places" class="found">
        <ul class="choices" aria-label="Known places">
          <li v-for="(one, index) in found" :key="one.id">
            <button type="button" @click="take(one)">
              <strong
                >{{ cut(one.name)[0] }}<u>{{ cut(one.name)[1] }}</u
                >{{ cut(one.name)[2] }}</strong
              >
              <span class="dim"
                >{{ cut(one.address)[0] }}<u>{{ cut(one.address)[1] }}</u
                >{{ cut(one.address)[2] }}<kbd v-if="index === 0" class="wide">↵</kbd></span
              >
            </button>
          </li>
        </ul>
      </div>
      <p v-if="unclear" class="unclear" role="alert">
        A place of this name is known. Choose it above, or say that it is another one.
        <v-btn size="small" @click="emit('another')">It is another place</v-btn>
      </p>
      <v-text-field v-model="form.address" label="Address" maxlength="200" autocomplete="off" :error-messages="problems['site.address']" />
      <v-text-field v-model="form.phone" label="Telephone" maxlength="40" inputmode="tel" autocomplete="off" :error-messages="problems['site.phone']" />
      <v-text-field v-model="form.note" label="To know of the place" maxlength="500" autocomplete="off" :error-messages="problems['site.note']" />
    </template>
    <template v-if="!there">
      <PlainSelect v-model="form.system" :items="props.systems" label="Boiler" @update:model-value="byHand = true" />
      <v-text-field
        v-model="form.label"
        label="Model or where it hangs, if known"
        maxlength="120"
        autocomplete="off"
        :error-messages="problems['appliance.label']"
      />
      <v-text-field
        v-model="form.installedOn"
        label="Installed (2019 or 2019-05-01), if known"
        maxlength="10"
        autocomplete="off"
        :error-messages="problems['appliance.installedOn']"
      />
    </template>
  </section>
</template>

<style scoped>
.who {
  display: grid;
  gap: 14px;
  align-content: start;
}
.place {
  display: flex;
  justify-content: space-between;
  align-items: start;
  gap: 10px;
}
.place p {
  margin: 0;
}
.place strong {
  font-size: 1.25rem;
}
.found {
  margin-top: -12px;
}
.choices {
  margin: 0;
}
.choices li:first-child button {
  background: var(--wash);
}
.choices button {
  padding: 0 12px;
}
.choices .dim {
  overflow: hidden;
  text-overflow: ellipsis;
}
u {
  text-decoration: underline 2px var(--copper);
  text-underline-offset: 4px;
}
.there p {
  margin: 0;
}
ol {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}
ol li {
  display: grid;
  grid-template-columns: 8.5rem minmax(0, 1fr);
  gap: 8px;
  padding: 6px 0;
  border-top: 1px solid var(--rule);
  line-height: 1.25;
}
ol .dim {
  display: block;
}
.day {
  font-size: 0.875rem;
}
.unclear {
  margin: 0;
  color: var(--stop);
}
</style>
