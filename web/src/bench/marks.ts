/** A mark for each tool, as a path in a box of 48: what its picture shows, in a few strokes. */
export const marks: Readonly<Record<string, string>> = {
  thermistor: 'M6 6v36h36M10 10c4 18 12 25 30 28M22 29m-3 0a3 3 0 1 0 6 0a3 3 0 1 0-6 0',
  fill: 'M16 4v4M16 8c-6 0-9 4-9 9v8c0 5 3 9 9 9s9-4 9-9v-8c0-5-3-9-9-9ZM7 24h18M4 42h40M16 34v8M33 42v-6M33 42l-4-3M36 30h8M36 20h8',
  'pressure-watch': 'M4 8c3 0 4 12 7 14s4-8 7-6 4 12 7 13 4-8 7-6 4 10 12 12M4 40h40M11 22m-2.5 0a2.5 2.5 0 1 0 5 0a2.5 2.5 0 1 0 -5 0',
  'hot-water': 'M14 5v38M24 5v38M34 5v38M4 14h10M34 14h10M4 34h10M34 34h10M18 14l4-4M18 34l4 4',
  'gas-rate': 'M24 6a18 18 0 1 0 .01 0ZM24 24l8-10M24 9v3M39 24h-3M24 39v-3M9 24h3',
  combustion: 'M24 5c7 9 11 14 11 22a11 11 0 0 1-22 0c0-5 3-8 5-13c3 3 4 5 4 8c2-4 3-9 2-17ZM8 43h32',
  cylinder: 'M12 12c0-8 24-8 24 0v26c0 6-24 6-24 0ZM12 26h24M18 20c4 3 8-3 12 0M24 44v3',
  wiring: 'M8 10h12v8H8ZM28 30h12v8H28ZM20 14h8c6 0 6 6 6 10v6M14 18v8c0 6 4 8 8 8h6',
  explain: 'M8 8h32v22H22l-8 8v-8H8ZM15 16h18M15 22h12',
}
