import { type Entry, scriptedJournal } from '@dewpoint/core/casebook'
import type { Catalogue, Diagnosis } from '@dewpoint/core/diagnosis'
import { unknownWiring } from '@dewpoint/trade'
import { isEntry, type Statement, stories, type Story } from '@dewpoint/trade/stories'
import { computed, ref, shallowRef, watch } from 'vue'
import { percent } from '../../case/suspects/colours.ts'
import { reasoning } from '../../workers/reasoning.ts'

/** One entry of a story, and what must hold once it stands. */
interface Step {
  entry: Entry
  holds: Statement[]
}

/** Every story with an address of its own, made of its title. */
export const shelves = stories.map(({ about, stories: some }) => ({ about, stories: some.map((story) => ({ ...story, slug: slugOf(story.title) })) }))
export type Shelved = (typeof shelves)[number]['stories'][number]
export const storyAt = (slug: string): Shelved | undefined => shelves.flatMap((one) => one.stories).find((one) => one.slug === slug)

function slugOf(title: string): string {
  return title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
}

/** A story entry by entry. What must hold after an entry stands with it. */
export function stepsOf({ tell }: Story): Step[] {
  const steps: Step[] = []
  for (const one of tell(scriptedJournal())) {
    if (isEntry(one)) steps.push({ entry: one, holds: [] })
    else steps.at(-1)?.holds.push(one)
  }
  return steps
}

/** What must hold, with faults, checks, remedies and parts by their names, and shares as percentages. */
export function inWords({ faults, checks, remedies, closing, parts }: Catalogue, says: string): string {
  const labels = new Map([...faults, ...checks, ...remedies, ...closing].map((one) => [one.id, one.label]))
  const partLabels = new Map(parts.map((one) => [one.id, one.label]))
  return says
    .replace(/\{(\w+)\}/g, (_all, id: string) => `“${partLabels.get(id) ?? id}”`)
    .replace(/[a-zA-Z0-9]+(?:\.[a-zA-Z0-9]+)+/g, (id) => (labels.has(id) ? `“${labels.get(id)!}”` : id))
    .replace(/\b0\.\d+\b/g, (share) => percent(Number(share)))
}

/** Walks a story: what is thought after each of its entries, worked out as it is reached and kept. `asked` may lie beyond its end. */
export function useWalk(story: () => Story, asked: () => number) {
  const steps = computed(() => stepsOf(story()))
  const at = computed(() => Math.min(asked(), steps.value.length))
  const known = shallowRef(new Map<number, Diagnosis>())
  const trouble = ref<string | null>(null)
  const now = computed(() => known.value.get(at.value))
  const before = computed(() => known.value.get(at.value - 1))

  async function think(of: Story, step: number): Promise<void> {
    if (step < 1 || known.value.has(step)) return
    trouble.value = null
    try {
      const result = await reasoning.diagnose(
        of.system,
        of.controls ?? unknownWiring,
        steps.value.slice(0, step).map((one) => one.entry),
        { order: 'telling' },
      )
      if (of === story()) known.value = new Map(known.value).set(step, result)
    } catch (error) {
      if (of === story()) trouble.value = (error as Error).message
    }
  }
  watch(
    story,
    () => {
      known.value = new Map()
      trouble.value = null
    },
    { immediate: true },
  )
  // the one before as well: what moved is shown beside what stands
  watch(
    [story, at],
    async ([of, step]) => {
      await think(of, step)
      await think(of, step - 1)
    },
    { immediate: true },
  )
  return { steps, at, now, before, trouble }
}
