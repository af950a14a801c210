<script setup lang="ts">
import { onBeforeUnmount, ref, watch } from 'vue'
import { pictureHere } from '../../keeping/photos/photoShelf.ts'
import ModalSheet from '../../shared/pieces/ModalSheet.vue'

/** A picture small, and large when somebody asks: from this device where it is here, else from the server. */
const props = defineProps<{ hash: string; caption: string; width: number; height: number }>()
const source = ref('')
const missing = ref(false)
const large = ref(false)
let own = ''
const letGo = () => own && URL.revokeObjectURL(own)
watch(
  () => props.hash,
  async (hash) => {
    missing.value = false
    const here = await pictureHere(hash)
    if (props.hash !== hash) return
    letGo()
    own = here ? URL.createObjectURL(here) : ''
    source.value = own || `/api/photos/${hash}`
  },
  { immediate: true },
)
onBeforeUnmount(letGo)
</script>

<template>
  <figure class="photo">
    <p v-if="missing" class="dim">Not on this device; it shows when there is signal.</p>
    <button v-else-if="source" type="button" :aria-label="`See larger: ${caption || 'photo'}`" @click="large = true">
      <img :src="source" :alt="caption || 'Photo without a caption'" :width="width" :height="height" @error="missing = true" />
    </button>
    <figcaption v-if="caption" class="dim">{{ caption }}</figcaption>
    <ModalSheet v-model="large" :label="`large-${hash.slice(0, 8)}`">
      <h1 :id="`large-${hash.slice(0, 8)}`">{{ caption || 'Photo' }}</h1>
      <img class="large" :src="source" :alt="caption || 'Photo without a caption'" />
      <v-btn @click="large = false">Back</v-btn>
    </ModalSheet>
  </figure>
</template>

<style scoped>
.photo {
  margin: 4px 0;
}
.photo button {
  padding: 0;
  border: 1px solid var(--rule);
  border-radius: 8px;
  overflow: hidden;
  background: none;
  cursor: zoom-in;
  line-height: 0;
}
.photo button img {
  width: auto;
  max-width: 100%;
  height: 96px;
  object-fit: cover;
}
figcaption {
  font-size: 0.875rem;
}
.large {
  display: block;
  max-width: 100%;
  max-height: 70vh;
  width: auto;
  height: auto;
  margin: 10px 0;
}
</style>
