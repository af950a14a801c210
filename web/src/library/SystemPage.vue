<script setup lang="ts">
import { writeSystemFile } from '@dewpoint/core/formats'
import { catalogueOf, catalogues } from '@dewpoint/trade'
import { computed } from 'vue'
import { download } from '../shared/download.ts'
import { systemById } from './imported.ts'
import PartsList from './PartsList.vue'
import RunPanel from './RunPanel.vue'
import SequenceData from './SequenceData.vue'

const props = defineProps<{ system: string }>()
const system = computed(() => systemById(props.system))
const catalogue = computed(() => system.value && (catalogues[system.value.id] ?? catalogueOf(system.value)))
</script>

<template>
  <main v-if="!system || !catalogue" class="missing">
    <h1>No such system</h1>
    <p>“{{ props.system }}” is neither a system that ships with Dewpoint nor one imported on this device.</p>
    <v-btn :to="{ name: 'library' }">To the library</v-btn>
  </main>
  <main v-else class="system">
    <header class="head">
      <div>
        <router-link :to="{ name: 'library' }" class="eyebrow back">Library</router-link>
        <h1>{{ system.label }}</h1>
      </div>
      <v-btn @click="download(`${system.id}.json`, 'application/json', writeSystemFile(system))">Save as JSON</v-btn>
    </header>
    <div class="columns">
      <SequenceData :system="system" class="left" />
      <RunPanel :key="system.id" :catalogue="catalogue" class="middle" />
    </div>
    <PartsList :catalogue="catalogue" />
  </main>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 8px 24px;
  border-bottom: 1px solid var(--rule);
}
.back {
  display: inline-flex;
  align-items: center;
  min-height: 24px;
  color: var(--dim);
}
h1 {
  font-size: 1.5rem;
}
.columns {
  display: grid;
  grid-template-columns: 340px minmax(0, 1fr);
}
.left {
  border-right: 1px solid var(--rule);
}
.missing {
  max-width: 560px;
  margin: 60px auto;
  padding: 0 20px;
}
@media (max-width: 900px) {
  .head {
    padding: 12px 16px;
    flex-wrap: wrap;
  }
  .columns {
    display: flex;
    flex-direction: column-reverse;
  }
  .left {
    border-right: 0;
    border-top: 1px solid var(--rule);
  }
}
</style>
