export { limitWords, reportOf, type Ending, type Measured, type Report, type ReportInput } from './reportOf.ts'
export { reportDocument, reportFonts } from './reportDocument.ts'
export { entryLine, historyWords } from './entryLine.ts'
export { reportTimes } from './reportTimes.ts'
