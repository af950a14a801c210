import { availableParallelism } from 'node:os'
import { defineConfig } from 'vitest/config'

const notUnit = ['**/node_modules/**', 'tools/{database,soak}/**']
/** where moments and days are read, written or shown: everywhere else lint keeps local time out, so one zone is enough */
const timed = ['core/casebook/**/*', 'core/diagnosis/evidence/*', 'contract/**/*', 'web/src/shared/times'].map((files) => `${files}.test.ts`)
/** half an hour off, and behind: what took its own zone for UTC shows */
const behind = { TZ: 'America/St_Johns' }

export default defineConfig({
  test: {
    // one more than there is room for: beside the browser tests these would end last
    maxWorkers: availableParallelism() + 1,
    projects: [
      {
        test: {
          name: 'pure',
          include: ['{core,trade,contract,cli,demo}/**/*.test.ts'],
          exclude: notUnit,
          // what is pure keeps nothing from one file to the next but what it has worked out
          isolate: false,
          env: behind,
          setupFiles: ['tools/fixedSeed.ts'],
          testTimeout: 180_000,
          hookTimeout: 180_000,
        },
      },
      {
        test: {
          name: 'unit',
          include: ['{tools,web}/**/*.test.ts'],
          exclude: notUnit,
          env: behind,
          setupFiles: ['tools/fixedSeed.ts'],
          testTimeout: 180_000,
          hookTimeout: 180_000,
        },
      },
      {
        test: {
          name: 'unit-elsewhere',
          include: [...timed, 'tools/timeZone.test.ts'],
          exclude: notUnit,
          isolate: false,
          // ahead of everybody: it is tomorrow there
          env: { TZ: 'Pacific/Kiritimati' },
          setupFiles: ['tools/fixedSeed.ts'],
          testTimeout: 180_000,
          hookTimeout: 180_000,
        },
      },
      {
        test: {
          name: 'routes',
          include: ['server/**/*.test.ts', 'tools/{database,soak}/*.test.ts'],
          globalSetup: ['server/testDatabase.ts'],
          fileParallelism: false,
          testTimeout: 180_000,
          hookTimeout: 180_000,
        },
      },
    ],
  },
})
