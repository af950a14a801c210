<script setup lang="ts">
import { computed, onBeforeUnmount, reactive, ref } from 'vue'
import { useDraft } from '../../../keeping/device/drafts.ts'
import { doublePressGuard } from '../../../shared/pieces/doublePressGuard.ts'
import { elapsedOf } from './elapsed.ts'

/** A clock as large as a thumb; what was started goes on through a reload. */
const emit = defineEmits<{ stopped: [seconds: number] }>()
const form = reactive({ startedAt: 0, stoppedAt: 0 })
useDraft('bench gas clock', form)
const now = ref(Date.now())
const ticking = window.setInterval(() => (now.value = Date.now()), 100)
onBeforeUnmount(() => window.clearInterval(ticking))
const isMeant = doublePressGuard()
const running = computed(() => form.startedAt > 0 && form.stoppedAt === 0)
const elapsed = computed(() => elapsedOf(form.startedAt, form.stoppedAt, now.value))
/** the hand goes round once a minute */
const hand = computed(() => {
  const angle = ((elapsed.value % 60) / 60) * 2 * Math.PI
  return { x: 60 + 44 * Math.sin(angle), y: 60 - 44 * Math.cos(angle) }
})
function press() {
  if (!isMeant()) return
  if (!running.value) return void Object.assign(form, { startedAt: Date.now(), stoppedAt: 0 })
  form.stoppedAt = Date.now()
  const seconds = elapsedOf(form.startedAt, form.stoppedAt, form.stoppedAt)
  if (seconds >= 1) emit('stopped', Number(seconds.toFixed(1)))
}
</script>

<template>
  <button type="button" class="clock" :class="{ running }" @click="press">
    <svg viewBox="0 0 120 120" aria-hidden="true">
      <circle cx="60" cy="60" r="54" class="face" />
      <line v-for="tick in 12" :key="tick" x1="60" y1="9" x2="60" :y2="tick % 3 === 0 ? 20 : 15" :transform="`rotate(${tick * 30} 60 60)`" class="tick" />
      <line x1="60" y1="60" :x2="hand.x" :y2="hand.y" class="hand" />
      <circle cx="60" cy="60" r="5" class="hub" />
    </svg>
    <span>
      <strong class="mono">{{ elapsed.toFixed(1) }} s</strong>
      <span class="act">{{ running ? 'Stop' : form.startedAt ? 'Start again' : 'Start' }}</span>
    </span>
  </button>
</template>

<style scoped>
.clock {
  display: flex;
  align-items: center;
  justify-content: center;
  gap: 28px;
  width: 100%;
  min-height: 180px;
  border: 2px solid var(--ink);
  border-radius: 18px;
  background: var(--sheet);
  color: inherit;
  cursor: pointer;
  touch-action: manipulation;
}
.clock.running {
  border-color: var(--copper);
  background: color-mix(in srgb, var(--copper) 12%, var(--sheet));
}
svg {
  width: 150px;
  height: 150px;
}
.face {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
.tick {
  stroke: var(--dim);
  stroke-width: 2;
}
.hand {
  stroke: var(--copper);
  stroke-width: 4;
  stroke-linecap: round;
}
.hub {
  fill: var(--copper);
}
strong {
  display: block;
  min-width: 6.5ch;
  font-size: 2.25rem;
  line-height: 1.2;
  text-align: left;
}
.act {
  display: block;
  text-align: left;
  font-weight: 600;
  font-size: 1.25rem;
}
</style>
