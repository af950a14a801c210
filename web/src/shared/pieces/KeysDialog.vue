<script setup lang="ts">
import ModalSheet from './ModalSheet.vue'

const shown = defineModel<boolean>({ required: true })

const keys = [
  ['1 – 9', 'record that answer of the check shown'],
  ['Enter', 'record the reading typed'],
  ['N / P', 'next or previous check offered'],
  ['C', 'this check cannot be done'],
  ['A', 'log an action'],
  ['S', 'log a defect seen'],
  ['H', 'ladder: heating or hot water'],
  ['O', 'order of checks: telling, forward, backward'],
  ['R', 'library: run the boiler'],
  ['U', 'undo the last entry'],
  ['D', 'dark or light'],
  ['?', 'these keys'],
  ['Esc', 'back out'],
]
</script>

<template>
  <ModalSheet v-model="shown" label="keys-title">
    <h2 id="keys-title">Keys</h2>
    <dl>
      <template v-for="[key, act] in keys" :key="key">
        <dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ act }}</dd>
      </template>
    </dl>
    <v-btn @click="shown = false">Close</v-btn>
  </ModalSheet>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 5.5rem 1fr;
  gap: 10px 12px;
  margin: 18px 0 22px;
}
dd {
  margin: 0;
}
</style>
