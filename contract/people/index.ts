export { everyone, may, officeOnly, ownerOnly, roles, staff, type Role } from './roles.ts'
export {
  passPhraseLength,
  readActAs,
  readCodeIn,
  readPassPhraseChange,
  readProof,
  readSignIn,
  readSignOut,
  type CodeIn,
  type Member,
  type Session,
  type SignIn,
} from './signIn.ts'
export { readMemberChange, readNewMember, type CodeGiven, type MemberChange, type MemberLine, type Members, type NewMember } from './members.ts'
export { readHandIn, readSettle, type DeviceLine, type Devices, type HandedIn, type HandInItem, type HandIns, type HandInSettled } from './devices.ts'
export { auditKinds, type AuditKind, type AuditLine, type AuditList, type AuditQuery } from './audit.ts'
export {
  mostPasskeys,
  readOnlyPasskey,
  readPasskeyMade,
  readPasskeyUsed,
  type PasskeyLine,
  type PasskeyMade,
  type PasskeyOffer,
  type Passkeys,
  type PasskeyUsed,
} from './passkeys.ts'
export { ownChangeKinds, type OwnChange, type OwnChangeKind, type OwnChanges } from './ownChanges.ts'
