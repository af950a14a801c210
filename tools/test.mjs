// Everything that must hold, on a fresh machine: installs what is missing, then checks, unit, route and browser tests.
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { build, ensureSignatures } from './build.mjs'
import { ensureInstalled } from './prepare.mjs'
import { bin, command, run, say } from './run.mjs'
import { root } from './stamp.mjs'

const reports = join(root, '.cache', 'reports')

await command(async () => {
  await ensureInstalled('mariadb-server', 'chromium-headless-shell', 'ngspice', 'openssl')
  // unit tests read them: whether they are stale is told before anything begins
  await ensureSignatures()
  rmSync(reports, { recursive: true, force: true })
  mkdirSync(reports, { recursive: true })

  const results = []
  /** how long a step takes, in whole seconds */
  const timer = () => {
    const from = performance.now()
    return () => Math.round((performance.now() - from) / 1000)
  }
  /** a step that passes or fails as a whole */
  const check = async (name, program, ...args) => {
    const seconds = timer()
    try {
      await run(bin(program), args)
      results.push({ name, passed: 1, failed: 0, took: seconds() })
    } catch (error) {
      results.push({ name, passed: 0, failed: 1, took: seconds(), output: error.message })
    }
  }
  /** a step with a report of its own that counts its tests; a run that ends badly without a failed test fails by itself */
  const tests = async (name, report, read, program, args, env = {}) => {
    let ended = ''
    const seconds = timer()
    await run(bin(program), args, { env }).catch((error) => (ended = error.message))
    let counted = { passed: 0, failed: 0 }
    try {
      counted = read(JSON.parse(readFileSync(report, 'utf8')))
    } catch {
      ended ||= 'no report was written'
    }
    if (counted.passed + counted.failed === 0 || (ended && counted.failed === 0)) counted.failed++
    results.push({ name, ...counted, took: seconds(), output: ended })
  }
  const vitest = (name, ...projects) => {
    const report = join(reports, `${name}.json`)
    return tests(name, report, (one) => ({ passed: one.numPassedTests, failed: one.numFailedTests }), 'vitest', [
      'run',
      ...projects.map((one) => `--project=${one}`),
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${report}`,
    ])
  }
  const browser = () => {
    const report = join(reports, 'e2e.json')
    return tests(
      'e2e',
      report,
      ({ stats }) => ({ passed: stats.expected, failed: stats.unexpected + stats.flaky }),
      'playwright',
      ['test', '--config', 'e2e/playwright.config.ts'],
      { REPORT: report },
    )
  }

  say('all at once: route tests; unit tests in two time zones; lint, format, types, layers, dead code')
  /** what needs the application waits for it; without it there is nothing to try */
  const built = build().then(
    () => true,
    (error) => {
      results.push({ name: 'build', passed: 0, failed: 1, took: 0, output: error.message })
      return false
    },
  )
  // what waits for a database leaves room for what only reckons
  await Promise.all([
    built.then((there) => there && vitest('routes', 'routes')),
    vitest('unit', 'pure', 'unit', 'unit-elsewhere'),
    (async () => {
      await check('layers', 'depcruise', '--config', '.dependency-cruiser.cjs', 'core', 'trade', 'contract', 'server', 'web', 'cli', 'demo')
      await check('dead code', 'knip')
      await check('lint', 'eslint', '.', '--max-warnings', '0')
      await check('format', 'prettier', '--check', '--log-level', 'warn', '.')
      await check('types', '../typescript-native/bin/tsc', '-p', 'tsconfig.json')
      await check('types of the web', 'vue-tsc', '-p', 'web/tsconfig.json')
      if (await built) await check('first page under 300 kB of script', 'tsx', 'tools/firstPage.ts')
    })(),
  ])

  // a page shares its cores with nothing of ours: how long it takes is what its user would see
  if (await built) {
    say('browser tests')
    await browser()
  }

  for (const { name, passed, failed, took, output } of results) {
    console.log(`${failed > 0 ? '✗' : '✓'} ${name}: ${passed} passed${failed > 0 ? `, ${failed} failed` : ''}, ${took} s`)
    if (failed > 0) console.log(output)
  }
  const sum = (key) => results.reduce((total, one) => total + one[key], 0)
  console.log(`${sum('passed')} passed, ${sum('failed')} failed`)
  process.exit(sum('failed') > 0 ? 1 : 0)
})
