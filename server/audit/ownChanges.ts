import type { OwnChangeKind } from '@dewpoint/contract'

/** How the record tells what changed of how somebody signs in: their name, then this. */
export const ownChangeWords: Record<OwnChangeKind, string> = {
  passPhrase: ': own pass phrase',
  passkey: ': new passkey',
  passkeyGone: ': passkey removed',
  code: ': new code',
  withCode: ', with a code',
  onlyPasskey: ': only with a passkey',
  phraseEnough: ': pass phrase enough again',
}
