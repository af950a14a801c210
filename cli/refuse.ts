/** Ends the program with a message for a person and exit code 2. */
export function refuse(message: string): never {
  process.stderr.write(`${message}\n`)
  process.exit(2)
}
