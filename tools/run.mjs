// Running other programs, with their failures told in words.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { root } from './stamp.mjs'

/** A refusal a person can act on; its message is all that is printed. */
export class Advice extends Error {}

/** Runs a program to its end; throws `Advice` with the end of its output when it fails. */
export function run(command, args, { quiet = true, env = {}, input } = {}) {
  return new Promise((done, fail) => {
    const child = spawn(command, args, {
      cwd: root,
      env: { ...process.env, ...env },
      stdio: [input === undefined ? 'ignore' : 'pipe', quiet ? 'pipe' : 'inherit', quiet ? 'pipe' : 'inherit'],
    })
    let output = ''
    child.stdout?.on('data', (data) => (output += data))
    child.stderr?.on('data', (data) => (output += data))
    // a program that ends before it has read everything says so by its exit code
    child.stdin?.on('error', () => {})
    if (input !== undefined) child.stdin.end(input)
    child.on('error', fail)
    child.on('close', (code) => (code === 0 ? done(output) : fail(new Advice(`${command} ${args.slice(0, 4).join(' ')} failed:\n${output.slice(-4000)}`))))
  })
}

/** Path of a program that came with the packages. */
export const bin = (name) => join(root, 'node_modules', '.bin', name)

/** Runs `main` and turns `Advice` into one message and exit code 1. */
export async function command(main) {
  try {
    await main()
  } catch (error) {
    console.error(error instanceof Advice ? `\n${error.message}` : error)
    process.exit(1)
  }
}

/** Says what is being waited for. */
export const say = (text) => console.error(`· ${text}`)
