export function modelHash(entry: string): Promise<string>
