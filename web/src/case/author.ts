import { ref, watch } from 'vue'

const key = 'dewpoint.author'

/** Who writes on this device. */
export const author = ref(localStorage.getItem(key) ?? 'Ines Quill')

watch(author, (name) => localStorage.setItem(key, name))
