import bold from '@fontsource/barlow-semi-condensed/files/barlow-semi-condensed-latin-600-normal.woff?url'
import extBold from '@fontsource/barlow-semi-condensed/files/barlow-semi-condensed-latin-ext-600-normal.woff?url'
import ext from '@fontsource/barlow-semi-condensed/files/barlow-semi-condensed-latin-ext-400-normal.woff?url'
import plain from '@fontsource/barlow-semi-condensed/files/barlow-semi-condensed-latin-400-normal.woff?url'
import greek from '@fontsource/jetbrains-mono/files/jetbrains-mono-greek-400-normal.woff?url'
import { reportFonts } from '@dewpoint/trade/report'
import pdfmake from 'pdfmake/build/pdfmake.js'

/** where each face lies in this application */
const addresses: Record<string, string> = {
  [reportFonts.Barlow.normal]: plain,
  [reportFonts.Barlow.bold]: bold,
  [reportFonts.BarlowExt.normal]: ext,
  [reportFonts.BarlowExt.bold]: extBold,
  [reportFonts.Greek.normal]: greek,
}
let ready: Promise<void> | null = null

async function base64(address: string): Promise<string> {
  const answer = await fetch(address)
  if (!answer.ok) throw new Error('The letters of the report could not be fetched.')
  const bytes = new Uint8Array(await answer.arrayBuffer())
  let text = ''
  for (let from = 0; from < bytes.length; from += 0x8000) text += String.fromCharCode(...bytes.subarray(from, from + 0x8000))
  return btoa(text)
}

async function prepare(): Promise<void> {
  const files = await Promise.all(Object.entries(addresses).map(async ([name, address]) => [name, await base64(address)] as const))
  pdfmake.addVirtualFileSystem(Object.fromEntries(files))
  pdfmake.addFonts(reportFonts)
  pdfmake.setUrlAccessPolicy(() => false)
}

/** Sets a document here on the device, without the server; its faces are embedded. */
export async function pdfOf(document: Record<string, unknown>): Promise<Blob> {
  ready ??= prepare()
  // what could not be fetched is fetched anew when it is asked for again
  await ready.catch((error: unknown) => {
    ready = null
    throw error
  })
  return pdfmake.createPdf(document as never).getBlob()
}
