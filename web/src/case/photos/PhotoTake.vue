<script setup lang="ts">
import { onBeforeUnmount, reactive, ref, useTemplateRef } from 'vue'
import { reducePhoto, type Reduced } from '../../keeping/photos/reducePhoto.ts'
import { shelve } from '../../keeping/photos/photoShelf.ts'
import { useCase } from '../caseStore.ts'

/** Takes a picture by camera or from a file, makes it small, and writes it down with the place or entry it is about. */
const props = defineProps<{ about?: string; place?: string; /** what the caption begins with */ suggested?: string }>()
const store = useCase()
const chooser = useTemplateRef<HTMLInputElement>('chooser')
const taken = ref<Reduced | null>(null)
const preview = ref('')
const form = reactive({ caption: '' })
const trouble = ref('')
const working = ref(false)

async function choose(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  // the same file may be chosen again
  input.value = ''
  if (!file) return
  trouble.value = ''
  working.value = true
  try {
    taken.value = await reducePhoto(file)
    URL.revokeObjectURL(preview.value)
    preview.value = URL.createObjectURL(taken.value.blob)
    form.caption = props.suggested ?? ''
  } catch (error) {
    trouble.value = (error as Error).message
  } finally {
    working.value = false
  }
}
async function record() {
  const one = taken.value
  if (!one || working.value) return
  working.value = true
  const { hash, kept } = await shelve(one.blob)
  if (!kept) trouble.value = 'Not saved on this device: it has no room. The picture goes to the server from this page; keep it open until it is sent.'
  await store.write('photo', {
    ...{ hash, type: 'image/jpeg', width: one.width, height: one.height },
    ...(form.caption.trim() && { caption: form.caption.trim() }),
    ...(props.about && { about: props.about }),
    ...(props.place && { place: props.place }),
  })
  leave()
  working.value = false
}
function leave() {
  taken.value = null
  URL.revokeObjectURL(preview.value)
  preview.value = ''
  form.caption = ''
}
onBeforeUnmount(leave)
</script>

<template>
  <div class="take">
    <v-btn :loading="working && !taken" @click="chooser?.click()">{{ taken ? 'Take another instead' : 'Take a photo' }}</v-btn>
    <input ref="chooser" type="file" accept="image/*" class="visually-hidden" tabindex="-1" aria-label="Picture file" @change="choose" />
    <p v-if="trouble" role="alert" class="trouble">{{ trouble }}</p>
    <form v-if="taken" @submit.prevent="record">
      <img :src="preview" alt="The photo as it will be kept" />
      <v-text-field v-model="form.caption" label="What it shows" maxlength="200" autocomplete="off" />
      <div class="acts">
        <v-btn type="submit" color="primary" variant="flat" :disabled="working">Record the photo</v-btn>
        <v-btn variant="text" @click="leave">Discard it</v-btn>
      </div>
    </form>
  </div>
</template>

<style scoped>
.take {
  display: contents;
}
form {
  flex: 1 1 100%;
  display: grid;
  gap: 10px;
  padding: 12px 0;
}
img {
  max-width: 100%;
  max-height: 220px;
  border-radius: 8px;
  border: 1px solid var(--rule);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.trouble {
  flex: 1 1 100%;
  margin: 0;
  color: var(--stop);
}
</style>
