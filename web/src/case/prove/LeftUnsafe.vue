<script setup lang="ts">
import type { Stop } from '@dewpoint/core/diagnosis'
import { computed, reactive, ref } from 'vue'
import { myName } from '../../keeping/who.ts'
import { useDraft } from '../../keeping/device/drafts.ts'
import { useFirm } from '../../firm/firmStore.ts'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import { doublePressGuard } from '../../shared/pieces/doublePressGuard.ts'
import { printOnly } from '../../shared/printing.ts'
import { day } from '../../shared/times.ts'
import { useCase } from '../caseStore.ts'

/** The only way to end an unsafe case: off and isolated, labelled, with the responsible person's consent or refusal written down. */
const props = defineProps<{ stop: Stop }>()
const store = useCase()
const firm = useFirm()
const form = reactive({ isolated: false, labelled: false, consent: '', name: '' })
const draft = useDraft(`case ${store.current?.id} left unsafe`, form)
const consents = [
  { value: '', title: 'choose' },
  { value: 'agreed', title: 'agreed to leave it off' },
  { value: 'refused', title: 'refused: reported as the place asks' },
  { value: 'absent', title: 'nobody there: notice left' },
]
const says: Record<string, string> = { agreed: 'agreed to leave it off', refused: 'refused; reported as the place asks', absent: 'was not there; notice left' }
const trouble = ref('')
const label = ref<HTMLElement | null>(null)
const today = computed(() => day(new Date().toISOString()))
const isMeant = doublePressGuard()
function leave() {
  trouble.value =
    !form.isolated || !form.labelled
      ? 'Isolate and label it first, and tick both.'
      : form.consent === ''
        ? 'Say what the responsible person said.'
        : form.consent !== 'absent' && form.name.trim() === ''
          ? 'Give the name of the responsible person.'
          : ''
  if (trouble.value || !isMeant()) return
  draft.forget()
  void store.write('decision', {
    kind: 'closed',
    ending: 'unsafe',
    reason: `${props.stop.label}. Off, isolated and labelled. ${form.name.trim() || 'The responsible person'} ${says[form.consent]}.`,
  })
}
</script>

<template>
  <section class="unsafe" aria-labelledby="unsafe-title">
    <h2 id="unsafe-title">It cannot be put right now: leave it off</h2>
    <div ref="label" class="label">
      <p><strong>DANGER. DO NOT USE.</strong></p>
      <p>{{ store.current?.appliance.label }}: {{ stop.label }}.</p>
      <p>
        Isolated on {{ today }} by {{ myName || 'the engineer' }}<template v-if="firm.settings?.profile?.name">, {{ firm.settings.profile.name }}</template
        >. It stays off until it has been made safe and proved.
      </p>
    </div>
    <v-btn variant="text" @click="label && printOnly(label)">Print the label</v-btn>
    <form @submit.prevent="leave">
      <v-checkbox v-model="form.isolated" label="Off and isolated: gas, power, whichever it was" hide-details />
      <v-checkbox v-model="form.labelled" label="Labelled where it is turned on" hide-details />
      <v-text-field v-model="form.name" label="Responsible person" maxlength="120" autocomplete="off" hide-details />
      <PlainSelect v-model="form.consent" label="They" :items="consents" />
      <p v-if="trouble" role="alert" class="trouble">{{ trouble }}</p>
      <v-btn type="submit" color="error" variant="flat">Leave it off, unsafe</v-btn>
    </form>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1.125rem;
  margin: 18px 0 6px;
}
.label {
  max-width: 26rem;
  padding: 10px 16px;
  border: 3px solid var(--stop);
  border-radius: 6px;
}
.label p {
  margin: 3px 0;
}
.label strong {
  color: var(--stop);
  font-size: 1.25rem;
}
form {
  display: grid;
  gap: 10px;
  max-width: 26rem;
  margin: 8px 0;
}
form > .v-btn {
  justify-self: start;
}
.trouble {
  margin: 0;
  color: var(--stop);
  font-weight: 600;
}
</style>
