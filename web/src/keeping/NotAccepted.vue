<script setup lang="ts">
import type { Catalogue } from '@dewpoint/core/diagnosis'
import { computed } from 'vue'
import NotAcceptedItem from './NotAcceptedItem.vue'
import { useOutbox } from './outbox.ts'

/** What the server would not take, until somebody mends or discards it: of one case, or of all. */
const props = defineProps<{ caseId?: string; catalogue?: Catalogue }>()
const outbox = useOutbox()
const items = computed(() => outbox.notAccepted.filter((one) => props.caseId === undefined || one.caseId === props.caseId))
</script>

<template>
  <section v-if="items.length > 0" class="not-accepted" aria-labelledby="not-accepted-title">
    <h2 id="not-accepted-title">Not accepted by the server</h2>
    <p class="dim">Kept on this device until you correct or discard {{ items.length === 1 ? 'it' : 'them' }}. Nothing else is held up.</p>
    <ul>
      <NotAcceptedItem
        v-for="one in items"
        :key="one.kind === 'open' ? one.caseId : one.entry.id"
        :item="one"
        :catalogue="catalogue"
        :linked="caseId === undefined"
      />
    </ul>
  </section>
</template>

<style scoped>
.not-accepted {
  border-left: 6px solid var(--stop);
  padding: 12px 20px 4px;
  margin-bottom: 18px;
}
h2 {
  font-size: 1.1875rem;
  color: var(--stop);
}
p {
  margin: 2px 0 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
</style>
