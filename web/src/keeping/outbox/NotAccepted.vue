<script setup lang="ts">
import type { Catalogue } from '@dewpoint/core/diagnosis'
import { computed } from 'vue'
import NotAcceptedItem from './NotAcceptedItem.vue'
import { useOutbox } from './outbox.ts'

/** What the server would not take, until somebody mends or discards it: of all cases, or of one, folded to a line above the work. */
const props = defineProps<{ caseId?: string; catalogue?: Catalogue }>()
const outbox = useOutbox()
const items = computed(() => outbox.notAccepted.filter((one) => props.caseId === undefined || one.caseId === props.caseId))
const opens = computed(() => items.value.some((one) => one.kind === 'open'))
const many = computed(() => (items.value.length === 1 ? '1 entry' : `${items.value.length} entries`))
</script>

<template>
  <section v-if="items.length > 0" class="not-accepted" aria-label="Not accepted by the server">
    <component :is="caseId === undefined ? 'div' : 'details'">
      <component :is="caseId === undefined ? 'h2' : 'summary'">{{ many }} not accepted by the server</component>
      <p class="dim">
        Kept on this device until you correct or discard {{ items.length === 1 ? 'it' : 'them' }}.
        {{ opens ? 'What is recorded in a case follows once the case is accepted.' : 'Nothing else is held up.' }}
      </p>
      <ul>
        <NotAcceptedItem
          v-for="one in items"
          :key="one.kind === 'open' ? one.caseId : one.entry.id"
          :item="one"
          :catalogue="catalogue"
          :linked="caseId === undefined"
        />
      </ul>
    </component>
  </section>
</template>

<style scoped>
.not-accepted {
  border-left: 6px solid var(--stop);
  padding: 8px 20px 4px;
  margin-bottom: 18px;
}
h2,
summary {
  font-size: 1.1875rem;
  font-weight: 600;
  color: var(--stop);
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  gap: 10px;
  cursor: pointer;
}
summary::before {
  content: '';
  width: 9px;
  height: 9px;
  border: solid currentcolor;
  border-width: 0 2px 2px 0;
  transform: rotate(-45deg);
  transition: transform 0.15s;
}
details[open] > summary::before {
  transform: rotate(45deg);
}
p {
  margin: 2px 0 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
@media (prefers-reduced-motion: reduce) {
  summary::before {
    transition: none;
  }
}
</style>
