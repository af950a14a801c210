import base from './playwright.config.ts'

/** Remakes the pictures of docs/screenshots from demo data. */
export default { ...base, testMatch: 'screenshots.ts', workers: 1, reporter: 'line' }
