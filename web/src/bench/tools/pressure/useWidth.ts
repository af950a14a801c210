import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue'

/** How wide an element is, px, as it changes: a picture with words in it is drawn to its size, not scaled. */
export function useWidth(element: Readonly<Ref<HTMLElement | null>>, usual: number): Ref<number> {
  const width = ref(usual)
  const observer = new ResizeObserver(([entry]) => {
    const seen = entry ? Math.round(entry.contentRect.width) : 0
    if (seen > 0 && seen !== width.value) width.value = seen
  })
  onMounted(() => element.value && observer.observe(element.value))
  onBeforeUnmount(() => observer.disconnect())
  return width
}
