// Installs what is missing: npm packages and Debian programs.
import { existsSync } from 'node:fs'
import { Advice, run, say } from './run.mjs'
import { unlessFresh } from './stamp.mjs'

const manifests = [
  'package.json',
  'package-lock.json',
  '.npmrc',
  ...['core', 'trade', 'contract', 'server', 'web', 'cli', 'demo', 'e2e', 'tools'].map((one) => `${one}/package.json`),
]

/** Installs the npm packages if they are missing or older than the lock file. */
export async function ensurePackages() {
  await unlessFresh('packages', manifests, 'node_modules/.package-lock.json', async () => {
    say('installing npm packages')
    await run('npm', ['install', '--include=dev', '--prefer-offline', '--no-audit', '--no-fund'], {
      env: { PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1' },
    })
  })
}

const programs = {
  'mariadb-server': ['/usr/sbin/mariadbd', '/usr/bin/mariadb-install-db'],
  // Debian’s Chromium without windows: it starts and draws in two thirds of the time
  'chromium-headless-shell': ['/usr/bin/chromium-headless-shell'],
  ngspice: ['/usr/bin/ngspice'],
  openssl: ['/usr/bin/openssl'],
}

/** Installs Debian packages whose programs are missing. */
async function ensureDebian(...packages) {
  const missing = packages.filter((name) => programs[name].some((path) => !existsSync(path)))
  if (missing.length === 0) return
  say(`installing ${missing.join(' and ')} from Debian`)
  const sudo = process.getuid() === 0 ? [] : ['sudo', '-n']
  const apt = async (...args) => {
    const [command, ...rest] = [...sudo, 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', ...args]
    await run(command, rest)
  }
  try {
    await apt('update')
    await apt('install', '-y', '--no-install-recommends', ...missing)
  } catch (error) {
    throw new Advice(
      `${missing.join(' and ')} could not be installed. Ask someone who may install programs to run\n` +
        `  apt-get update && apt-get install --no-install-recommends ${missing.join(' ')}\nand start again.` +
        (process.getuid() === 0 ? `\n${error.message}` : ''),
    )
  }
}

/**
 * Installs what is missing, npm packages and Debian packages at once: the one unpacks while the other waits for the network. Both are waited
 * for before either's trouble is told.
 */
export async function ensureInstalled(...debian) {
  const ended = await Promise.allSettled([ensureDebian(...debian), ensurePackages()])
  for (const one of ended) if (one.status === 'rejected') throw one.reason
}
