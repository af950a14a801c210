/** What a computed JSON column holds: MariaDB gives it as text, or parsed, by how it was computed. */
export function fromJson<T>(value: unknown): T {
  return (typeof value === 'string' ? JSON.parse(value) : value) as T
}
