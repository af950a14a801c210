import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { hashOf, root, unlessFresh } from './stamp.mjs'

// within the project: stamps are of its files
const folder = '.cache/stamp-test'
const at = (name: string) => join(root, folder, name)
beforeEach(() => {
  rmSync(join(root, folder), { recursive: true, force: true })
  mkdirSync(at('source/inner'), { recursive: true })
  writeFileSync(at('source/a.ts'), 'a')
  writeFileSync(at('source/inner/b.ts'), 'b')
})
const clean = () => {
  rmSync(join(root, folder), { recursive: true, force: true })
  rmSync(join(root, '.cache/stamps/stamp-test'), { force: true })
}
beforeAll(clean)
afterAll(clean)
const source = [`${folder}/source`]

describe('the hash of files', () => {
  it('is of their names and contents, wherever they lie within', () => {
    const first = hashOf(source)
    expect(hashOf(source)).toBe(first)
    writeFileSync(at('source/inner/b.ts'), 'c')
    const changed = hashOf(source)
    expect(changed).not.toBe(first)
    writeFileSync(at('source/inner/b.ts'), 'b')
    expect(hashOf(source)).toBe(first)
    writeFileSync(at('source/c.ts'), '')
    expect(hashOf(source)).not.toBe(first)
  })

  it('leaves out tests, what is built, and what is not there', () => {
    const first = hashOf(source)
    writeFileSync(at('source/a.test.ts'), 'x')
    mkdirSync(at('source/dist'))
    writeFileSync(at('source/dist/a.js'), 'x')
    expect(hashOf(source)).toBe(first)
    expect(hashOf([...source, `${folder}/nowhere`])).toBe(first)
  })
})

describe('what is made from files', () => {
  let made = 0
  const product = `${folder}/product`
  const make = (work = () => writeFileSync(at('product'), String(++made))) =>
    unlessFresh('stamp-test', source, product, async () => {
      work()
    })

  it('is made once, and again when a file changed or the product is gone', async () => {
    made = 0
    expect([await make(), await make(), made]).toEqual([true, false, 1])
    writeFileSync(at('source/a.ts'), 'other')
    expect([await make(), await make(), made]).toEqual([true, false, 2])
    rmSync(at('product'))
    expect([await make(), readFileSync(at('product'), 'utf8')]).toEqual([true, '3'])
  })

  it('that fails is made again the next time', async () => {
    const failing = () => {
      throw new Error('no room')
    }
    await expect(make(failing)).rejects.toThrow('no room')
    expect(await make()).toBe(true)
  })

  it('that changes its own sources is fresh afterwards', async () => {
    await make(() => {
      writeFileSync(at('product'), 'x')
      writeFileSync(at('source/inner/b.ts'), 'written by the work')
    })
    expect(await make()).toBe(false)
  })
})
