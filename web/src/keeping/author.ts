import { ref, watch } from 'vue'
import { recall, remember } from './device/storage.ts'

const key = 'dewpoint.author'

/** Who writes on this device; empty until somebody has said who they are. Nobody signs by a name that was put there for them. */
export const author = ref(recall(key) ?? '')

watch(author, (name) => remember(key, name))
