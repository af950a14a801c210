export interface RunningMariadb {
  url: string
  stop: () => Promise<void>
}
export function startMariadb(folder: string, options?: { lasting?: boolean }): Promise<RunningMariadb>
export function freePort(): Promise<number>
