<script setup lang="ts">
import { computed } from 'vue'
import { markedWords, type HeardOf } from './heardIn.ts'

/** What somebody said, with what is heard in it underlined: solid where it is confirmed, dashed where it is still to be asked. One tap confirms. */
const props = defineProps<{
  words: string
  heard: readonly HeardOf[]
  /** what of it is confirmed, by what it is about */
  confirmed: (about: string) => boolean
  /** nothing is taken back here */
  oneWay?: boolean
}>()
const emit = defineEmits<{ toggle: [heard: HeardOf] }>()
const stretches = computed(() => markedWords(props.words, props.heard))
</script>

<template>
  <div class="their-words">
    <p class="quote">
      “<template v-for="(one, index) in stretches" :key="index"
        ><span v-if="one.of < 0">{{ one.text }}</span
        ><span v-else class="hit" :class="{ sure: confirmed(heard[one.of]!.about) }">{{ one.text }}</span></template
      >”
    </p>
    <ul v-if="heard.length > 0" aria-label="Heard in these words">
      <li v-for="one in heard" :key="one.about">
        <button
          type="button"
          class="hint"
          :class="{ sure: confirmed(one.about) }"
          :aria-pressed="confirmed(one.about)"
          :disabled="oneWay && confirmed(one.about)"
          @click="emit('toggle', one)"
        >
          <span class="mark" aria-hidden="true" /><span>{{ one.label }}<span v-if="!confirmed(one.about)" class="dim"> ask</span></span>
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.quote {
  margin: 0;
  font-size: 1.1875rem;
  line-height: 1.5;
  overflow-wrap: anywhere;
  white-space: pre-wrap;
}
.hit {
  text-decoration: underline dashed 2px var(--copper);
  text-underline-offset: 4px;
}
.hit.sure {
  text-decoration: underline solid 2px var(--proven);
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
.hint {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-height: 48px;
  padding: 4px 16px;
  border: 1.5px dashed var(--copper);
  border-radius: 24px;
  background: var(--paper);
  color: var(--copper);
  font-weight: 600;
  text-align: left;
  line-height: 1.15;
  cursor: pointer;
}
.hint.sure {
  border: 1.5px solid var(--proven);
  background: var(--sheet);
  color: var(--ink);
}
.hint:disabled {
  cursor: default;
}
.mark {
  flex: none;
  width: 16px;
  height: 16px;
  border: 2px dotted var(--copper);
  border-radius: 50%;
}
.sure .mark {
  border: 0;
  border-radius: 0;
  width: 8px;
  height: 14px;
  margin: -4px 4px 0;
  border-right: 2.5px solid var(--proven);
  border-bottom: 2.5px solid var(--proven);
  transform: rotate(42deg);
}
.hint .dim {
  font-weight: 400;
}
</style>
