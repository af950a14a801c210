/** Hands a text, or what was made of it, to the browser as a file to keep. */
export function download(name: string, type: string, content: string | Blob): void {
  const address = URL.createObjectURL(new Blob([content], { type }))
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  URL.revokeObjectURL(address)
}
