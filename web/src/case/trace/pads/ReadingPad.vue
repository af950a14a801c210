<script setup lang="ts">
import type { Payload } from '@dewpoint/core/casebook'
import { impossibility, type Check, type NextCheck, type NumberResult } from '@dewpoint/core/diagnosis'
import { convert, formatQuantity, unitsLike, type UnitSymbol } from '@dewpoint/core/quantity'
import { computed, nextTick, reactive, ref, useTemplateRef, watch } from 'vue'
import { useDraft } from '../../../keeping/device/drafts.ts'
import { useKeys } from '../../../shared/pieces/keys.ts'
import PlainSelect from '../../../shared/pieces/PlainSelect.vue'
import { colourOf } from '../../suspects/colours.ts'
import SuspectLetter from '../../suspects/SuspectLetter.vue'
import { useCase } from '../../caseStore.ts'
import { figureChoices, notReachedWords } from '../../checkWords.ts'
import { saidOf, stillSo } from './needs.ts'
import NeedsTicks from './NeedsTicks.vue'
import { padDraft } from './padDraft.ts'
import { layOut } from './padScale.ts'

const props = defineProps<{ check: Check; result: NumberResult; next: NextCheck }>()
const emit = defineEmits<{ record: [payload: Payload<'reading'>]; typing: [half: boolean] }>()

const typed = ref('')
const unit = ref<UnitSymbol>(props.result.unit)
const pipe = ref('60')
const pipeUnit = ref<'°C' | '°F'>('°C')
const store = useCase()
const said = ref(stillSo(store.live, store.acts))
const field = useTemplateRef<{ focus: () => void }>('field')

const draft = useDraft(padDraft(store.current?.id, props.check), reactive({ typed, unit, pipe, pipeUnit, said }))

watch(
  () => typed.value !== '',
  (half) => emit('typing', half),
  { flush: 'sync', immediate: true },
)

/** A digit typed anywhere begins the reading, so that no click is needed and single keys still work. */
function begin(digit: string) {
  typed.value = digit
  void nextTick(() => field.value?.focus())
}
useKeys(Object.fromEntries([...'0123456789.-'].map((digit) => [digit, () => begin(digit)])))

const numberOf = (text: string) => (text.trim() === '' ? null : Number(text.trim().replace(',', '.')))
const value = computed(() => numberOf(typed.value))
const pipeCelsius = computed(() => {
  const given = numberOf(pipe.value)
  if (given === null || !Number.isFinite(given)) return null
  const celsius = convert(given, pipeUnit.value, '°C')
  return celsius > -30 && celsius < 130 ? celsius : null
})
const units = computed(() => unitsLike(props.result.unit))
const trouble = computed(() => {
  if (props.result.thermistor && pipeCelsius.value === null) return 'Give the pipe temperature the resistance was taken at.'
  if (value.value === null) return null
  if (!Number.isFinite(value.value)) return 'Type a number, such as 2.49.'
  return impossibility(props.result, value.value, unit.value)
})
const ready = computed(() => value.value !== null && trouble.value === null)
const pad = computed(() => layOut(props.result, props.next.expected, unit.value, ready.value ? value.value : null, pipeCelsius.value ?? 60))
const needle = computed(() => (ready.value ? pad.value.place(value.value!) : null))
/** what stands in the place of a figure where there is none */
const nothing = computed(() => notReachedWords(props.check))
const neverReached = computed(() => props.next.expected.some((one) => one.notReached > 0.2))

function situation(): Payload<'reading'>['situation'] {
  return {
    demand: props.check.situation.demand,
    ...saidOf(props.check, said.value),
    ...(props.result.thermistor && { temperature: { value: numberOf(pipe.value)!, unit: pipeUnit.value } }),
  }
}

/** What is said without a figure, beside what is usual on this model. */
function say(outcome: string) {
  const { temperature: _temperature, ...rest } = situation()!
  emit('record', { check: props.check.id, outcome, instrument: props.result.instrument, sureness: 'sure', situation: rest })
}

function record(sureness: 'sure' | 'unsure') {
  if (!ready.value) return
  emit('record', { check: props.check.id, value: value.value!, unit: unit.value, instrument: props.result.instrument, sureness, situation: situation() })
  typed.value = ''
  draft.forget()
}
</script>

<template>
  <form class="pad" @submit.prevent="record('sure')">
    <div
      class="plot"
      role="img"
      :aria-label="`Where this reading would lie with each suspect: ${pad.bands.map((one) => `${one.label} ${one.peak === null ? 'never reached' : `about ${formatQuantity(one.peak, unit)}`}`).join('; ')}`"
    >
      <div v-for="(one, rank) in pad.bands" :key="one.suspect" class="row">
        <span class="who">
          <SuspectLetter :rank="rank" />
          <span class="label">{{ one.label }}</span>
        </span>
        <span class="lane">
          <svg viewBox="0 0 100 40" preserveAspectRatio="none" aria-hidden="true">
            <path :d="one.path" :fill="colourOf(rank)" fill-opacity="0.24" :stroke="colourOf(rank)" stroke-width="2" vector-effect="non-scaling-stroke" />
          </svg>
          <em v-if="one.peak === null" class="dim">{{ nothing }}</em>
          <em v-else-if="one.beyond" class="dim" :class="one.beyond">{{
            one.beyond === 'right' ? `off the scale, ${formatQuantity(one.peak, unit)} →` : `← off the scale, ${formatQuantity(one.peak, unit)}`
          }}</em>
        </span>
      </div>
      <div class="row axis" aria-hidden="true">
        <span class="who dim mono"
          >{{ unit === '1' ? '' : unit }}<template v-if="result.thermistor"> at {{ pipe }} {{ pipeUnit }}</template></span
        >
        <span class="lane">
          <span v-for="tick in pad.ticks" :key="tick.label" class="tick mono" :style="{ left: `${tick.at}%` }">{{ tick.label }}</span>
        </span>
      </div>
      <div class="needles" aria-hidden="true"><span v-if="needle !== null" class="needle" :style="{ left: `${needle}%` }" /></div>
    </div>

    <div class="typing">
      <div v-if="result.thermistor" class="pipe">
        <v-text-field v-model="pipe" label="Pipe at" inputmode="decimal" class="mono-field" />
        <PlainSelect v-model="pipeUnit" :items="['°C', '°F']" hidden-label="Unit of the pipe temperature" class="unit" />
      </div>
      <div class="value">
        <v-text-field
          ref="field"
          v-model="typed"
          label="Reading"
          inputmode="decimal"
          class="mono-field"
          autocomplete="off"
          :error-messages="trouble ?? undefined"
        />
        <PlainSelect v-if="units.length > 1" v-model="unit" :items="units" hidden-label="Unit of the reading" class="unit" />
        <span v-else class="mono only-unit">{{ unit }}</span>
      </div>
      <NeedsTicks v-model="said" :check="check" />
      <div class="acts">
        <v-btn type="submit" color="primary" variant="flat" :disabled="!ready" class="record"
          >Record <span v-if="ready" class="mono">&nbsp;{{ formatQuantity(value!, unit) }}</span> <kbd class="wide">↵</kbd></v-btn
        >
        <v-btn :disabled="!ready" @click="record('unsure')">Not sure of it</v-btn>
        <v-btn
          v-if="neverReached"
          variant="text"
          @click="emit('record', { check: check.id, outcome: 'notReached', situation: { demand: check.situation.demand } })"
          >{{ nothing.charAt(0).toUpperCase() + nothing.slice(1) }}</v-btn
        >
      </div>
      <div v-if="!check.probe" class="acts byWord" role="group" aria-label="No figure noted">
        <span class="dim">No figure noted?</span>
        <v-btn v-for="one in figureChoices" :key="one.id" variant="text" :disabled="typed !== ''" @click="say(one.id)">{{ one.label }}</v-btn>
      </div>
    </div>
  </form>
</template>

<style scoped>
.pad {
  background: var(--sheet);
  border: 1px solid var(--rule);
  border-radius: 14px;
  padding: 16px 20px 18px;
}
.plot {
  position: relative;
  --who: 224px;
}
.row {
  display: grid;
  grid-template-columns: var(--who) 1fr;
  gap: 14px;
  align-items: end;
}
.who {
  display: grid;
  grid-template-columns: 24px 1fr;
  gap: 8px;
  align-items: center;
  line-height: 1.15;
  padding-bottom: 4px;
}
.who .label {
  position: relative;
  z-index: 1;
  justify-self: start;
  background: var(--sheet);
  padding-right: 4px;
}
.unit :deep(select) {
  height: 56px;
}
.unit :deep(.mark) {
  top: 21px;
}
.axis .who {
  display: block;
  font-size: 0.875rem;
}
.lane {
  position: relative;
  display: block;
  height: 42px;
  border-bottom: 1px solid var(--rule);
}
.lane svg {
  display: block;
  width: 100%;
  height: 42px;
}
.lane em {
  position: absolute;
  bottom: 8px;
  left: 4px;
  font-size: 0.9375rem;
}
.lane em.right {
  left: auto;
  right: 4px;
}
.axis .lane {
  height: 36px;
  border: 0;
}
.tick {
  position: absolute;
  top: 12px;
  transform: translateX(-50%);
  font-size: 0.875rem;
  color: var(--dim);
}
.tick::before {
  content: '';
  position: absolute;
  top: -12px;
  left: 50%;
  height: 6px;
  border-left: 1px solid var(--dim);
}
.needles {
  position: absolute;
  inset: 0 0 36px calc(var(--who) + 14px);
  pointer-events: none;
}
.needle {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 3px;
  margin-left: -1.5px;
  background: var(--ink);
  transition: left 0.2s ease;
}
.needle::after {
  content: '';
  position: absolute;
  bottom: -9px;
  left: -6.5px;
  border: 8px solid transparent;
  border-top: 0;
  border-bottom: 10px solid var(--ink);
}
.typing {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-top: 16px;
  align-items: flex-start;
}
.value,
.pipe {
  display: flex;
  gap: 6px;
  align-items: flex-start;
}
.value .mono-field {
  width: 178px;
}
.pipe .mono-field {
  width: 96px;
}
.unit {
  width: 112px;
  flex: none;
}
.only-unit {
  padding: 14px 6px 0;
}
.mono-field :deep(input) {
  font-family: var(--mono);
  font-size: 1.375rem;
}
.value :deep(.v-field__input),
.pipe :deep(.v-field__input) {
  min-height: 56px;
}
.acts .v-btn {
  height: 56px !important;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.byWord {
  flex-basis: 100%;
  align-items: center;
}
.byWord .v-btn {
  height: 48px !important;
}
@media (max-width: 760px) {
  .pad {
    display: flex;
    flex-direction: column;
    gap: 10px;
    padding: 10px 12px 12px;
  }
  /* the field above the keys that come up, where it lands right below, what is said without a figure last */
  .typing {
    display: contents;
  }
  .value,
  .pipe,
  .acts,
  .typing > :deep(.needs) {
    order: -1;
  }
  .typing > .byWord {
    order: 1;
  }
  .plot {
    --who: 44%;
  }
  .row {
    grid-template-columns: var(--who) 1fr;
    gap: 8px;
    align-items: center;
  }
  .who {
    grid-template-columns: 24px minmax(0, 1fr);
    padding: 0;
  }
  .who .label {
    font-size: 0.875rem;
    line-height: 1.1;
  }
  .needles {
    inset: 0 0 32px calc(44% + 8px);
  }
  .lane,
  .lane svg {
    height: 34px;
  }
  .axis .lane {
    height: 32px;
  }
  .acts {
    display: grid;
    grid-template-columns: 1fr 1fr;
    width: 100%;
  }
  .acts.byWord {
    display: flex;
    gap: 0 4px;
  }
  .value,
  .pipe {
    width: 100%;
  }
  .value .mono-field,
  .pipe .mono-field {
    flex: 1;
    width: auto;
  }
  .wide {
    display: none;
  }
  .tight {
    padding: 8px 12px;
  }
  .tight .plot {
    order: -2;
  }
  .tight .label {
    display: -webkit-box;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
    overflow: hidden;
    font-size: 0.8125rem;
    line-height: 1.05;
  }
  .tight .lane,
  .tight .lane svg {
    height: 30px;
  }
  .tight .needles {
    bottom: 30px;
  }
}
</style>
