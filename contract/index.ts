export { newCaseSchema, readCase, type Case, type CaseLine, type CaseList, type NewCase, type PresentCase } from './cases/case.ts'
export { type Appliance, type ApplianceHistory, type KnownAppliance, type Site, type SiteLine, type SiteList } from './cases/site.ts'
export { largestPhoto, photoTypes, type KeptPhoto, type PhotoType } from './cases/photo.ts'
export { readStocked, type Stock, type Stocked } from './parts.ts'
export { problemTypes, type Problem, type ProblemName } from './problem.ts'
export { longestJournal, mostEntries, readAppend, type Append, type AppendResult, type News } from './cases/entries.ts'
export { isAppendResult, isCase, isNews, problemIn } from './answers.ts'
export {
  caseCursor,
  folded,
  readCaseCursor,
  readListQuery,
  readSiteCursor,
  siteCursor,
  type CaseCursor,
  type ListQuery,
  type SiteCursor,
} from './cases/list.ts'
export { type DatabaseState, type Health } from './health.ts'
export { isTimeZone, readFirmSettings, type Firm, type FirmCosts, type FirmProfile, type FirmSettings } from './firm.ts'
export * from './people/index.ts'
export { type Changed, type LiveNews } from './live.ts'
export { type Experienced, type Opinion, type Past, type PastCase } from './cases/past.ts'
export { readStated, type Stated } from './cases/stated.ts'
export { mostPairs, readPairReport, type PairReport } from './pairs.ts'
