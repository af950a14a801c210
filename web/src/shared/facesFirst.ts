/** the faces every page is written in, as the browser names them */
const faces = ['400 1em "Barlow Semi Condensed"', '600 1em "Barlow Semi Condensed"', '1em "JetBrains Mono Variable"']
/** longer than this a page is not kept back, in milliseconds */
const patience = 2000

/**
 * Settles when the faces are there, or cannot be had, or have been waited for long enough; never rejects. A face that comes after the page
 * moves what somebody is about to press.
 */
export function facesFirst(fonts: Pick<FontFaceSet, 'load'> = document.fonts): Promise<void> {
  let enough: ReturnType<typeof setTimeout>
  const waited = new Promise<void>((go) => (enough = setTimeout(go, patience)))
  const there = Promise.allSettled(faces.map((one) => fonts.load(one)))
  return Promise.race([there, waited]).then(() => clearTimeout(enough))
}
