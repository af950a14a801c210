<script setup lang="ts">
import { onMounted, useTemplateRef, watch } from 'vue'

/** A sheet before everything else. The browser's own: focus, Escape and what lies behind it are its business from the first frame. */
const shown = defineModel<boolean>({ required: true })
const props = defineProps<{
  label: string
  described?: string
  urgent?: boolean
  /** it has to be answered */ fixed?: boolean
  /** over the whole screen */ whole?: boolean
}>()
const sheet = useTemplateRef<HTMLDialogElement>('sheet')

function follow() {
  if (shown.value && !sheet.value?.open) sheet.value?.showModal()
  if (!shown.value && sheet.value?.open) sheet.value.close()
}
/** a browser may close it at a second Escape all the same */
function closed() {
  if (props.fixed) follow()
  else shown.value = false
}
onMounted(follow)
watch(shown, follow, { flush: 'post' })
</script>

<template>
  <dialog
    ref="sheet"
    class="sheet"
    :class="{ urgent, whole }"
    :role="urgent ? 'alertdialog' : 'dialog'"
    :aria-labelledby="label"
    :aria-describedby="described"
    @cancel="props.fixed && $event.preventDefault()"
    @close="closed"
    @click.self="props.fixed || (shown = false)"
  >
    <div v-if="shown" class="within"><slot /></div>
  </dialog>
</template>

<style scoped>
.sheet {
  width: min(520px, calc(100vw - 32px));
  max-height: calc(100dvh - 48px);
  margin: auto;
  padding: 0;
  overflow: auto;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--rule);
  border-radius: 12px;
}
.sheet.urgent {
  border-left: 4px solid var(--stop);
}
.sheet::backdrop {
  background: rgb(0 0 0 / 45%);
}
.sheet.whole {
  width: 100vw;
  max-width: none;
  height: 100dvh;
  max-height: none;
  border: 0;
  border-radius: 0;
  overflow: hidden;
}
.within {
  padding: 24px;
}
.whole .within {
  height: 100%;
  padding: 0;
}
/* a heading takes the focus to be read out, not to be pressed */
.within :deep(h1:focus-visible) {
  outline: none !important;
}
</style>
