import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { modelHash } from './modelHash.mjs'

const plant = "import { heat } from './heat.ts'\nexport const run = (x: number) => heat(x) + 1\n"
const heat = '/** heat of water */\nexport const heat = (x: number): number => 4186 * x\n'

/** The fingerprint of a plant made of files. */
async function of(files: Record<string, string>): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'dewpoint-model-'))
  for (const [name, text] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, name)), { recursive: true })
    writeFileSync(join(folder, name), text)
  }
  return modelHash(join(folder, 'plant.ts'))
}

describe('the fingerprint of the simulation', () => {
  it('is the same for the same sums, however they are written and wherever they lie', async () => {
    const first = await of({ 'plant.ts': plant, 'heat.ts': heat })
    expect(await of({ 'plant.ts': `// of the boiler\n${plant}`, 'heat.ts': heat.replace('4186 * x', '(\n  4186 *\n  x\n)') })).toBe(first)
    expect(await of({ 'plant.ts': plant.replace('./heat.ts', './water/heat.ts'), 'water/heat.ts': heat })).toBe(first)
    expect(
      await of({
        'plant.ts': plant.replace('./heat.ts', './index.ts'),
        'index.ts': "export { heat } from './heat.ts'\nexport { tea } from './tea.ts'\n",
        'heat.ts': heat,
        'tea.ts': 'export const tea = new Map([[1, 2]])\nexport const heat = 7\n'.replace('heat', 'kettle'),
      }),
    ).toBe(await of({ 'plant.ts': plant.replace('./heat.ts', './index.ts'), 'index.ts': "export { heat } from './heat.ts'\n", 'heat.ts': heat }))
  })

  it('is another for other sums', async () => {
    const first = await of({ 'plant.ts': plant, 'heat.ts': heat })
    expect(await of({ 'plant.ts': plant, 'heat.ts': heat.replace('4186', '4187') })).not.toBe(first)
    expect(await of({ 'plant.ts': plant.replace('+ 1', '+ 2'), 'heat.ts': heat })).not.toBe(first)
  })
})
