import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    maxWorkers: '100%',
    projects: [
      {
        test: {
          name: 'unit',
          include: ['{core,trade,contract,cli,demo,tools,web}/**/*.test.ts'],
          exclude: ['**/node_modules/**', 'tools/{database,soak}/**'],
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
          testTimeout: 30_000,
        },
      },
    ],
  },
})
