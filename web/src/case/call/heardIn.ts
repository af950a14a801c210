import { hear, type Catalogue } from '@dewpoint/core/diagnosis'
import { heardOf } from '@dewpoint/trade/heard'

/** A complaint heard in somebody's words, or a question they answer with yes. */
export interface HeardOf {
  about: string
  label: string
  /** the checks it answers */
  answers: string[]
  isComplaint: boolean
}

/** What of a catalogue is heard in words, each once: offered, and written down only when somebody says that it is so. */
export function heardIn({ complaints, checks }: Pick<Catalogue, 'complaints' | 'checks'>, words: string): HeardOf[] {
  return hear(heardOf, words).flatMap(({ danger: about }): HeardOf[] => {
    const complaint = complaints.find((one) => one.id === about && !one.danger)
    if (complaint) return [{ about, label: complaint.label, answers: complaint.evidence.map((one) => one.check), isComplaint: true }]
    const question = checks.find((one) => one.id === about)
    return question ? [{ about, label: `${question.label} yes`, answers: [about], isComplaint: false }] : []
  })
}
