/** What can change of how somebody signs in. */
export const ownChangeKinds = ['passPhrase', 'passkey', 'passkeyGone', 'code', 'withCode', 'onlyPasskey', 'phraseEnough'] as const
export type OwnChangeKind = (typeof ownChangeKinds)[number]

/** Something that changed of how somebody signs in, done on another device than theirs that asks, or by somebody else. */
export interface OwnChange {
  id: string
  at: string
  what: OwnChangeKind
  /** the device it was done on; '' where it is not known any more */
  device: string
  /** who did it, where it was somebody else */
  by: string | null
}

/** Of the last thirty days, the newest first. Source of that somebody is told: OWASP ASVS 4.0.3, 2.2.3 */
export interface OwnChanges {
  changes: OwnChange[]
}
