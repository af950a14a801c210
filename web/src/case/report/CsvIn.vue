<script setup lang="ts">
import type { Payload } from '@dewpoint/core/casebook'
import { ref, shallowRef } from 'vue'
import { doublePressGuard } from '../../shared/pieces/doublePressGuard.ts'
import { useCase } from '../caseStore.ts'
import { entryWords } from '../checkWords.ts'
import { readReadings, type CsvProblem } from './exports.ts'

/** Takes readings in from a table: what is good is shown before it is recorded, what is not says where. */
const store = useCase()
const chooser = ref<HTMLInputElement | null>(null)
const name = ref('')
const read = shallowRef<{ readings: Payload<'reading'>[]; problems: CsvProblem[] } | null>(null)
const said = ref('')
const largest = 1024 * 1024
const isMeant = doublePressGuard()

async function choose(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  // the same file may be chosen again, mended
  input.value = ''
  if (!file || !store.catalogue) return
  name.value = file.name
  said.value = ''
  if (file.size > largest) {
    read.value = { readings: [], problems: [{ line: 0, column: '', says: 'The file is larger than 1 MB: take out what are no readings.' }] }
    return
  }
  read.value = readReadings(store.catalogue, await file.text())
}
async function record() {
  const list = read.value?.readings ?? []
  if (!isMeant() || list.length === 0) return
  read.value = null
  await store.writeAll('reading', list)
  said.value = `${list.length} ${list.length === 1 ? 'reading' : 'readings'} recorded from ${name.value}.`
}
const wordsOf = (payload: Payload<'reading'>) => {
  const { what, result } = entryWords(store.catalogue!, { id: '', at: '', clock: '', author: '', authorName: '', schema: 4, type: 'reading', payload })
  return `${what}: ${result}`
}
</script>

<template>
  <section aria-labelledby="csv-title">
    <h2 id="csv-title" class="eyebrow">Import readings</h2>
    <v-btn variant="text" @click="chooser?.click()">Import a CSV file…</v-btn>
    <input ref="chooser" type="file" accept=".csv,text/csv,text/plain" class="visually-hidden" tabindex="-1" aria-label="CSV file" @change="choose" />
    <p role="status">{{ said }}</p>
    <template v-if="read">
      <div v-if="read.problems.length > 0" class="problems" role="alert">
        <ul>
          <li v-for="one in read.problems.slice(0, 20)" :key="`${one.line} ${one.column} ${one.says}`">
            <strong v-if="one.line > 0">Line {{ one.line }}{{ one.column ? `, ${one.column}` : '' }}:</strong> {{ one.says }}
          </li>
          <li v-if="read.problems.length > 20">and {{ read.problems.length - 20 }} more</li>
        </ul>
      </div>
      <ul v-if="read.readings.length > 0" class="good">
        <li v-for="(one, index) in read.readings.slice(0, 8)" :key="index">{{ wordsOf(one) }}</li>
        <li v-if="read.readings.length > 8" class="dim">and {{ read.readings.length - 8 }} more</li>
      </ul>
      <v-btn v-if="read.readings.length > 0" @click="record"
        >Record {{ read.problems.length > 0 ? 'the good ones' : '' }} {{ read.readings.length }}
        {{ read.readings.length === 1 ? 'reading' : 'readings' }}</v-btn
      >
      <v-btn variant="text" @click="read = null">Leave it</v-btn>
    </template>
  </section>
</template>

<style scoped>
ul {
  margin: 4px 0 8px;
  padding: 0;
  list-style: none;
}
li {
  padding: 3px 0;
  line-height: 1.25;
}
.problems {
  border-left: 3px solid var(--stop);
  padding-left: 10px;
}
p {
  margin: 0;
}
</style>
