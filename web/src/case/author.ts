import { ref, watch } from 'vue'
import { recall, remember } from '../keeping/storage.ts'

const key = 'dewpoint.author'

/** Who writes on this device. */
export const author = ref(recall(key) ?? 'Ines Quill')

watch(author, (name) => remember(key, name))
