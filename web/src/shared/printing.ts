/** Prints one piece of the page by itself, as it stands in it. The rest of the page is hidden for the printer only. */
export function printOnly(piece: HTMLElement): void {
  const printed = piece.cloneNode(true) as HTMLElement
  printed.classList.add('printed')
  document.body.append(printed)
  document.body.classList.add('printing')
  const back = () => {
    printed.remove()
    document.body.classList.remove('printing')
    window.removeEventListener('afterprint', back)
  }
  window.addEventListener('afterprint', back)
  window.print()
}
