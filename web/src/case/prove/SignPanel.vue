<script setup lang="ts">
import { entriesOf } from '@dewpoint/core/casebook'
import SignaturePad from 'signature_pad'
import { computed, nextTick, onBeforeUnmount, reactive, ref } from 'vue'
import { myName } from '../../keeping/who.ts'
import { useDraft } from '../../keeping/device/drafts.ts'
import ModalSheet from '../../shared/pieces/ModalSheet.vue'
import { clock } from '../../shared/times.ts'
import { useCase } from '../caseStore.ts'
import { strokesOf } from './strokes.ts'

/** Who signs: the engineer and the customer, drawn on a sheet of its own, or by name alone. */
const store = useCase()
const who = [
  { by: 'engineer', label: 'Engineer' },
  { by: 'customer', label: 'Customer' },
] as const
type By = (typeof who)[number]['by']
const signed = computed(() => new Map(entriesOf(store.live, 'signature').map((one) => [one.payload.by, one])))

const signing = ref<By | null>(null)
const form = reactive({ name: '' })
const draft = useDraft(`case ${store.current?.id} signs`, form)
const trouble = ref('')
const canvas = ref<HTMLCanvasElement | null>(null)
let pad: SignaturePad | null = null
const drawn = ref(false)
const shown = computed({ get: () => signing.value !== null, set: (on) => on || leave() })

async function begin(by: By) {
  signing.value = by
  form.name = by === 'engineer' ? myName.value : (signed.value.get(by)?.payload.name ?? form.name)
  trouble.value = ''
  drawn.value = false
  await nextTick()
  await nextTick()
  if (!canvas.value) return
  // as many points as it has pixels, so that a line is where the finger is
  const { width, height } = canvas.value.getBoundingClientRect()
  canvas.value.width = width
  canvas.value.height = height
  pad = new SignaturePad(canvas.value, { penColor: getComputedStyle(canvas.value).color, minWidth: 1, maxWidth: 2.4 })
  pad.addEventListener('endStroke', () => (drawn.value = true))
}
function clear() {
  pad?.clear()
  drawn.value = false
}
function leave() {
  pad?.off()
  pad = null
  signing.value = null
}
onBeforeUnmount(leave)
function sign() {
  if (!signing.value) return
  if (form.name.trim() === '') {
    trouble.value = 'Type the name of whoever signs.'
    return
  }
  const strokes = strokesOf(pad?.toData() ?? [])
  const { width = 1, height = 1 } = canvas.value ?? {}
  void store.write('signature', { by: signing.value, name: form.name.trim(), ...(strokes.length > 0 && { strokes, width, height }) })
  form.name = ''
  draft.forget()
  leave()
}
</script>

<template>
  <section id="signatures" class="signs" aria-labelledby="signs-title" tabindex="-1">
    <h2 id="signs-title" class="eyebrow">Signatures</h2>
    <div class="two">
      <div v-for="one in who" :key="one.by" class="one">
        <template v-if="signed.get(one.by)">
          <svg
            v-if="signed.get(one.by)!.payload.strokes?.length"
            :viewBox="`0 0 ${signed.get(one.by)!.payload.width} ${signed.get(one.by)!.payload.height}`"
            role="img"
            :aria-label="`Signature of ${signed.get(one.by)!.payload.name}`"
          >
            <path v-for="path in signed.get(one.by)!.payload.strokes" :key="path" :d="path" />
          </svg>
          <p class="line">
            {{ signed.get(one.by)!.payload.name }}, {{ clock(signed.get(one.by)!.at) }} <span class="dim">{{ one.label.toLowerCase() }}</span>
          </p>
          <v-btn variant="text" size="small" @click="begin(one.by)">Sign again</v-btn>
        </template>
        <template v-else>
          <p class="line empty">
            <span aria-hidden="true">×</span> <span class="dim">{{ one.label.toLowerCase() }}</span>
          </p>
          <v-btn @click="begin(one.by)">{{ one.label }} signs</v-btn>
        </template>
      </div>
    </div>
    <ModalSheet v-model="shown" label="sign-title">
      <form @submit.prevent="sign">
        <h1 id="sign-title">{{ signing === 'engineer' ? 'The engineer signs' : 'The customer signs' }}</h1>
        <p class="dim">What was found, done and advised is as it stands in this case.</p>
        <canvas ref="canvas" class="paper" aria-label="Draw the signature here" />
        <v-text-field v-model="form.name" label="Name" maxlength="120" autocomplete="off" :error-messages="trouble || undefined" />
        <div class="acts">
          <v-btn type="submit" color="primary" variant="flat">{{ drawn ? 'Record the signature' : 'Record by name alone' }}</v-btn>
          <v-btn variant="text" :disabled="!drawn" @click="clear">Draw it again</v-btn>
          <v-btn variant="text" @click="leave">Not now</v-btn>
        </div>
      </form>
    </ModalSheet>
  </section>
</template>

<style scoped>
.signs {
  margin-top: 26px;
  scroll-margin-top: 90px;
}
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 22px;
}
.one svg {
  display: block;
  height: 72px;
  max-width: 100%;
}
.one path {
  fill: none;
  stroke: currentColor;
  stroke-width: 2.2;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.line {
  margin: 0 0 6px;
  padding-top: 4px;
  border-top: 2px solid var(--ink);
}
.line.empty {
  border-top: 0;
  border-bottom: 2px solid var(--dim);
  padding: 26px 0 4px;
  color: var(--copper);
}
.paper {
  display: block;
  width: 100%;
  height: 180px;
  margin: 12px 0 16px;
  border: 1px solid var(--dim);
  border-radius: 8px;
  color: var(--ink);
  touch-action: none;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
