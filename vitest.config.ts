import { defineConfig } from 'vitest/config'

const unit = ['{core,trade,contract,cli,demo,tools,web}/**/*.test.ts']
const notUnit = ['**/node_modules/**', 'tools/{database,soak}/**']
/** where moments and days are read, written or shown: everywhere else lint keeps local time out, so one zone is enough */
const timed = ['core/casebook', 'core/diagnosis/evidence', 'core/formats', 'contract', 'demo', 'web'].map((folder) => `${folder}/**/*.test.ts`)

export default defineConfig({
  test: {
    maxWorkers: '100%',
    projects: [
      {
        test: {
          name: 'unit',
          include: unit,
          exclude: notUnit,
          // half an hour off, and behind: what took its own zone for UTC shows
          env: { TZ: 'America/St_Johns' },
          setupFiles: ['tools/fixedSeed.ts'],
          testTimeout: 60_000,
        },
      },
      {
        test: {
          name: 'unit-elsewhere',
          include: [...timed, 'tools/timeZone.test.ts'],
          exclude: notUnit,
          // ahead of everybody: it is tomorrow there
          env: { TZ: 'Pacific/Kiritimati' },
          setupFiles: ['tools/fixedSeed.ts'],
          testTimeout: 60_000,
        },
      },
      {
        test: {
          name: 'routes',
          include: ['server/**/*.test.ts', 'tools/{database,soak}/*.test.ts'],
          globalSetup: ['server/testDatabase.ts'],
          fileParallelism: false,
          testTimeout: 120_000,
        },
      },
    ],
  },
})
