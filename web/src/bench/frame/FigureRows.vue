<script setup lang="ts">
/** What was worked out, line by line; what is not as it should be stands out by weight and colour, and says why. */
defineProps<{ rows: { label: string; text: string; bad?: boolean; why?: string }[] }>()
</script>

<template>
  <dl>
    <div v-for="row in rows" :key="row.label" :class="{ bad: row.bad }">
      <dt>
        {{ row.label }}<span v-if="row.why" class="why">{{ row.why }}</span>
      </dt>
      <dd class="mono">{{ row.text }}</dd>
    </div>
  </dl>
</template>

<style scoped>
dl {
  margin: 0 0 18px;
}
div {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 12px;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
dt {
  line-height: 1.25;
}
.why {
  display: block;
  color: var(--dim);
  font-size: 0.875rem;
}
dd {
  margin: 0;
  font-size: 1.0625rem;
  white-space: nowrap;
}
.bad dd {
  color: var(--stop);
  font-weight: 700;
}
</style>
