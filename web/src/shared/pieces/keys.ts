import { onBeforeUnmount, onMounted } from 'vue'

/** Single keys for the main acts; they rest while something is typed or a dialog is open. */
export function useKeys(acts: Record<string, () => void>): void {
  const listen = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return
    if (document.querySelector('dialog[open]')) return
    const target = event.target as HTMLElement
    if (target.closest('input, textarea, select, [contenteditable], [role="listbox"]')) return
    const act = acts[event.key] ?? acts[event.key.toLowerCase()]
    if (!act) return
    event.preventDefault()
    act()
  }
  onMounted(() => window.addEventListener('keydown', listen))
  onBeforeUnmount(() => window.removeEventListener('keydown', listen))
}
