<script setup lang="ts">
import type { Catalogue } from '@dewpoint/core/diagnosis'
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import SegmentSwitch from '../../shared/pieces/SegmentSwitch.vue'
import { browsed, findChecks, kindWords } from './findChecks.ts'

/** Finds any check by the trade's words for it, or leads to it by step, part or what is done. Only what is typed or pressed changes the list, so that nothing moves under the finger. */
const { catalogue } = defineProps<{ catalogue: Catalogue }>()
const emit = defineEmits<{ pick: [check: string] }>()

const shown = 8
const words = ref('')
const all = ref(false)
const field = useTemplateRef<{ focus(): void }>('field')
const found = computed(() => findChecks(catalogue, words.value))
const by = ref<'stage' | 'part' | 'kind'>('stage')
const ways = [
  { id: 'stage', label: 'By step' },
  { id: 'part', label: 'By part' },
  { id: 'kind', label: 'By what you do' },
] as const
const groups = computed(() => (words.value.trim() === '' ? browsed(catalogue, by.value) : []))
onMounted(() => field.value?.focus())
</script>

<template>
  <div class="picker">
    <v-text-field
      ref="field"
      v-model="words"
      label="Find a check"
      hint="by part, place, instrument, or what you call it"
      persistent-hint
      maxlength="80"
      autocomplete="off"
      @keydown.enter.prevent="words.trim() && found[0] && emit('pick', found[0].id)"
      @update:model-value="all = false"
    />
    <template v-if="words.trim() !== ''">
      <ul v-if="found.length > 0" class="choices" aria-label="Checks found">
        <li v-for="one in all ? found : found.slice(0, shown)" :key="one.id">
          <button type="button" @click="emit('pick', one.id)">
            <span>{{ one.label }}</span> <span class="dim">{{ kindWords[one.kind] }}, {{ one.minutes }} min</span>
          </button>
        </li>
      </ul>
      <p class="dim" aria-live="polite">
        {{ found.length === 0 ? 'No check has these words. Try fewer, or a part’s name.' : '' }}
        <v-btn v-if="found.length > shown && !all" variant="text" @click="all = true">{{ found.length - shown }} more</v-btn>
      </p>
    </template>
    <template v-else>
      <SegmentSwitch v-model="by" label="All checks" :choices="[...ways]" class="ways" />
      <details v-for="group in groups" :key="group.title">
        <summary>
          <strong>{{ group.title }}</strong> <span class="dim mono">{{ group.checks.length }}</span>
        </summary>
        <ul class="choices">
          <li v-for="one in group.checks" :key="one.id">
            <button type="button" @click="emit('pick', one.id)">
              <span>{{ one.label }}</span> <span class="dim">{{ kindWords[one.kind] }}, {{ one.minutes }} min</span>
            </button>
          </li>
        </ul>
      </details>
    </template>
  </div>
</template>

<style scoped>
.picker {
  margin: 4px 0 16px;
}
.picker p {
  margin: 8px 0 0;
  min-height: 1.5em;
}
.ways {
  display: inline-flex;
  margin: 12px 0 4px;
}
summary {
  min-height: 48px;
  line-height: 48px;
  cursor: pointer;
  border-top: 1px solid var(--rule);
}
</style>
