export interface RunningMariadb {
  url: string
  /** file through which its owner comes in */
  socket: string
  folder: string
  /** the exit code, once it is given up or stopped */
  ended: Promise<number>
  stop: () => Promise<void>
  /** the present process */
  pid: () => number
}
export function startMariadb(folder: string, options?: { lasting?: boolean; more?: readonly string[] }): Promise<RunningMariadb>
export function asOwner(socket: string, sql: string, user?: string): Promise<string>
export function freePort(): Promise<number>
