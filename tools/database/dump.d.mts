import type { Transform } from 'node:stream'
/** How MariaDB's programs get at a database. */
export interface Access {
  url: string
  name: string
}
export function accessTo(url: string, socket?: string, folder?: string): Access
export function dumpTo(database: Access, file: string, packer: Transform): Promise<number>
