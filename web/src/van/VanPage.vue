<script setup lang="ts">
import { readStocked } from '@dewpoint/contract'
import { computed, nextTick, onMounted, reactive, ref } from 'vue'
import { Refused } from '../keeping/api.ts'
import { useDraft } from '../keeping/device/drafts.ts'
import { money } from '../shared/money.ts'
import { useStock, type StockLine } from './stockStore.ts'
import { numberTyped } from '../shared/numbers.ts'

/** What is on the van and in the store, and what parts cost the firm. */
const stock = useStock()
const search = ref<string | null>('')
const form = reactive({ part: '', price: '', van: '', store: '', revision: 0 })
const draft = useDraft('van', form)
const problems = ref<Record<string, string>>({})
const trouble = ref('')
const away = ref(false)
/** what there is has come, or will not: until then nothing is changed, for it would be changed from what it is not */
const known = ref(false)
const sending = ref(false)

const found = computed(() => {
  const words = (search.value ?? '').trim().toLowerCase()
  return stock.lines.filter(({ part, alsoCalled }) => `${part} ${alsoCalled}`.toLowerCase().includes(words))
})
const unheard = computed(() => {
  const name = (search.value ?? '').trim()
  return name !== '' && !stock.lines.some((one) => one.part.toLowerCase() === name.toLowerCase()) ? name : ''
})

onMounted(() =>
  stock
    .load()
    .catch(() => (away.value = true))
    .finally(() => (known.value = true)),
)

function edit({ part, price, van, store, revision }: Pick<StockLine, 'part' | 'price' | 'van' | 'store' | 'revision'>) {
  Object.assign(form, { part, price: price === null ? '' : String(price), van: String(van), store: String(store), revision })
  problems.value = {}
  trouble.value = ''
  void nextTick(() => document.querySelector<HTMLElement>('.editing input')?.focus())
}
function shut() {
  Object.assign(form, { part: '', price: '', van: '', store: '', revision: 0 })
  draft.forget()
}

async function save() {
  trouble.value = ''
  const price = form.price.trim() === '' ? null : numberTyped(form.price)
  const parsed = readStocked({ part: form.part, price, van: numberTyped(form.van), store: numberTyped(form.store), revision: form.revision })
  problems.value = parsed.ok ? {} : Object.fromEntries(parsed.problems.map(({ field, message }) => [field, message]))
  if (!parsed.ok) return
  sending.value = true
  try {
    await stock.send(parsed.value)
    shut()
  } catch (error) {
    trouble.value =
      error instanceof Refused
        ? `Not saved: ${error.problem.detail}`
        : 'Not saved: the server does not answer. What you typed stays here; try again when there is signal.'
    if (error instanceof Refused && error.kind === 'changed') {
      await stock.load().catch(() => undefined)
      const theirs = stock.lines.find((one) => one.part === form.part)
      form.revision = theirs?.revision ?? 0
      if (theirs) trouble.value += ` Theirs: ${many(theirs)}, ${theirs.price === null ? 'price assumed' : money(theirs.price, true)}.`
    }
  } finally {
    sending.value = false
  }
}
const many = ({ van, store }: StockLine) => [van > 0 && `${van} on the van`, store > 0 && `${store} in the store`].filter(Boolean).join(', ') || 'none'
</script>

<template>
  <main class="van">
    <h1>Parts on the van</h1>
    <p class="dim">
      What a call asks for is weighed by price and by what you have. Prices are assumed until you give your own; leave the field empty to go back to the assumed
      one.
    </p>
    <p v-if="away" role="alert">The server does not answer, and this device does not know yet what there is.</p>
    <v-text-field v-model="search" label="Find a part" type="search" maxlength="80" clearable class="find" />
    <p v-if="!known" role="status" class="dim">Asking what there is…</p>
    <p v-if="known && unheard" class="dim">
      No part is called “{{ unheard }}”.
      <v-btn variant="text" @click="edit({ part: unheard, price: null, van: 0, store: 0, revision: 0 })">Add it to the list</v-btn>
    </p>
    <form v-if="known && form.part && !found.some((one) => one.part === form.part)" class="editing" @submit.prevent="save">
      <strong>{{ form.part }}</strong>
      <v-text-field v-model="form.price" label="Your price" inputmode="decimal" maxlength="12" :error-messages="problems.price" />
      <v-text-field v-model="form.van" label="On the van" inputmode="numeric" maxlength="6" :error-messages="problems.van" />
      <v-text-field v-model="form.store" label="In the store" inputmode="numeric" maxlength="6" :error-messages="problems.store" />
      <v-btn type="submit" color="primary" variant="flat" :disabled="sending">Save {{ form.part }}</v-btn>
      <v-btn variant="text" @click="shut">Leave as it was</v-btn>
      <p v-if="trouble || problems.part" role="alert" class="trouble">{{ trouble || problems.part }}</p>
    </form>
    <ul v-if="known" aria-label="Parts">
      <li v-for="one in found" :key="one.part">
        <form v-if="form.part === one.part" class="editing" @submit.prevent="save">
          <strong>{{ one.part }}</strong>
          <v-text-field
            v-model="form.price"
            :label="`Your price, else ${money(one.counts, true)}`"
            inputmode="decimal"
            maxlength="12"
            :error-messages="problems.price"
          />
          <v-text-field v-model="form.van" label="On the van" inputmode="numeric" maxlength="6" :error-messages="problems.van" />
          <v-text-field v-model="form.store" label="In the store" inputmode="numeric" maxlength="6" :error-messages="problems.store" />
          <v-btn type="submit" color="primary" variant="flat" :disabled="sending">Save {{ one.part }}</v-btn>
          <v-btn variant="text" @click="shut">Leave as it was</v-btn>
          <p v-if="trouble" role="alert" class="trouble">{{ trouble }}</p>
        </form>
        <button v-else type="button" class="line" @click="edit(one)">
          <span
            ><strong>{{ one.part }}</strong> <span class="dim">{{ one.alsoCalled }}</span></span
          >
          <span class="many" :class="{ dim: one.van + one.store === 0 }">{{ many(one) }}</span>
          <span class="mono price">{{ money(one.counts, true) }}<span v-if="one.price === null" class="dim assumed"> assumed</span></span>
        </button>
      </li>
    </ul>
  </main>
</template>

<style scoped>
.van {
  width: 100%;
  max-width: 860px;
  margin: 0 auto;
  padding: 28px 20px 60px;
}
h1 {
  font-size: 1.9rem;
}
.find {
  max-width: 420px;
  margin: 14px 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 1px solid var(--rule);
}
li {
  border-bottom: 1px solid var(--rule);
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 14rem) 11rem;
  gap: 12px;
  align-items: center;
  width: 100%;
  min-height: 52px;
  border: 0;
  background: none;
  color: inherit;
  text-align: left;
  cursor: pointer;
}
.price {
  text-align: right;
}
.assumed {
  font-family: var(--face);
}
.editing {
  display: grid;
  grid-template-columns: minmax(0, 1fr) repeat(3, minmax(0, 9rem));
  gap: 12px;
  align-items: center;
  padding: 14px;
  margin: 0 -14px;
  background: var(--wash);
  border-radius: 10px;
}
.editing .v-btn {
  grid-column: auto / span 2;
}
.trouble {
  grid-column: 1 / -1;
  margin: 0;
  color: var(--stop);
}
@media (max-width: 760px) {
  .line {
    grid-template-columns: minmax(0, 1fr) auto;
    padding: 6px 0;
  }
  .line > .price {
    grid-column: 2;
    grid-row: 1;
  }
  .many {
    grid-column: 1 / -1;
  }
  .editing {
    grid-template-columns: 1fr 1fr;
  }
  .editing strong {
    grid-column: 1 / -1;
  }
}
</style>
