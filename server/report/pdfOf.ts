import { createRequire } from 'node:module'
import { reportFonts } from '@dewpoint/trade/report'
import pdfmake from 'pdfmake'

const { resolve } = createRequire(import.meta.url)
const fileOf = (name: string) =>
  resolve(name.startsWith('barlow') ? `@fontsource/barlow-semi-condensed/files/${name}` : `@fontsource/jetbrains-mono/files/${name}`)
let ready = false

/** Sets a document; its faces are embedded, nothing is fetched. */
export async function pdfOf(document: Record<string, unknown>): Promise<Buffer> {
  if (!ready) {
    pdfmake.addFonts(
      Object.fromEntries(
        Object.entries(reportFonts).map(([face, files]) => [face, Object.fromEntries(Object.entries(files).map(([cut, name]) => [cut, fileOf(name)]))]),
      ),
    )
    // a document has no business on the network, nor with any file but its faces
    const faces = new Set(Object.values(reportFonts).flatMap((files) => Object.values(files).map(fileOf)))
    pdfmake.setUrlAccessPolicy(() => false)
    pdfmake.setLocalAccessPolicy((path) => faces.has(path))
    ready = true
  }
  return pdfmake.createPdf(document as never).getBuffer()
}
