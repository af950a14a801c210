<script setup lang="ts">
import { useCase } from './caseStore.ts'

// the words may have meant it or not: nobody but those who are there can say
const store = useCase()

function yes(danger: string) {
  const complaint = store.catalogue?.complaints.find((one) => one.danger === danger)
  if (complaint) store.write('complaint', { what: complaint.id, pattern: 'always' })
}
function no(danger: string, question: string) {
  const act = store.catalogue?.actions.find((one) => one.rulesOut)
  if (act) store.write('action', { action: act.id, value: danger, note: question })
}
</script>

<template>
  <section class="questions" aria-label="Danger first">
    <div v-for="one in store.questions" :key="one.danger" class="question" role="alert">
      <p class="asked">
        <v-icon icon="$stop" size="22" aria-hidden="true" />
        <strong>{{ one.question }}</strong>
        <span class="dim"> Written down: “{{ one.words }}”.</span>
      </p>
      <div class="answers">
        <v-btn color="error" variant="flat" @click="yes(one.danger)">Yes, stop</v-btn>
        <v-btn @click="no(one.danger, one.question)">No, asked and ruled out</v-btn>
      </div>
    </div>
  </section>
</template>

<style scoped>
.question {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px 20px;
  padding: 10px 20px;
  border-bottom: 1px solid var(--rule);
  border-left: 6px solid var(--stop);
}
p {
  margin: 0;
  flex: 1 1 22rem;
}
.asked .v-icon {
  margin-right: 8px;
}
strong {
  color: var(--stop);
}
.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
@media (max-width: 760px) {
  .answers,
  .answers .v-btn {
    flex: 1;
  }
}
</style>
