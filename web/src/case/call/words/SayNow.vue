<script setup lang="ts">
import type { Danger } from '@dewpoint/core/diagnosis'

// said aloud while the customer is still on the telephone, before anything is saved
defineProps<{ danger: Danger }>()
</script>

<template>
  <div class="stop" role="alert">
    <p>
      <strong>{{ danger.label }}: say now</strong>
    </p>
    <ol>
      <li v-for="line in danger.say" :key="line">{{ line }}</li>
    </ol>
  </div>
</template>

<style scoped>
.stop {
  border-left: 6px solid var(--stop);
  padding-left: 16px;
  font-size: 1.125rem;
}
.stop p {
  margin: 0;
  color: var(--stop);
}
.stop ol {
  margin: 4px 0 0;
  padding-left: 1.3em;
}
</style>
