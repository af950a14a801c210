<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { author } from './author.ts'
import { knownPeople } from './device/keptAnswers.ts'
import ModalSheet from '../shared/pieces/ModalSheet.vue'

// asked once a device, before anything can be written: nobody signs by a name that was put there for them
const route = useRoute()
/** places where entries are written */
const writing = computed(() => ['case', 'new'].includes(String(route.name)))
/** somebody wants to change who writes */
const changing = defineModel<boolean>('changing', { default: false })
const shown = computed({
  get: () => changing.value || (writing.value && author.value === ''),
  // backing out changes nobody's name; without one the sheet stays
  set: (on) => (changing.value = on),
})
const people = shallowRef<string[]>([])
const other = ref('')
watch(
  shown,
  async (on) => {
    if (on) people.value = await knownPeople().catch(() => [])
  },
  { immediate: true },
)
function write(name: string) {
  const chosen = name.trim()
  if (chosen.length < 2) return
  author.value = chosen
  other.value = ''
  changing.value = false
}
</script>

<template>
  <ModalSheet v-model="shown" label="who-title" :fixed="author === ''">
    <h1 id="who-title" tabindex="-1" autofocus>Who is writing?</h1>
    <p>Every entry carries the name of whoever made it. This device remembers it until you change it.</p>
    <ul v-if="people.length > 0" class="choices" aria-label="People here">
      <li v-for="name in people" :key="name">
        <button type="button" @click="write(name)">{{ name }}</button>
      </li>
    </ul>
    <form class="other" @submit.prevent="write(other)">
      <v-text-field v-model="other" :label="people.length > 0 ? 'Another name' : 'Your name'" maxlength="120" autocomplete="name" />
      <v-btn type="submit" color="primary" variant="flat" :disabled="other.trim().length < 2">{{
        other.trim() ? `Write as ${other.trim()}` : 'Write as…'
      }}</v-btn>
    </form>
  </ModalSheet>
</template>

<style scoped>
h1:focus {
  outline: none;
}
h1 {
  font-size: 1.5rem;
  margin-bottom: 6px;
}
.choices {
  margin: 12px 0 18px;
}
.other {
  display: grid;
  gap: 10px;
}
</style>
