export function freePort(): Promise<number>
export function removeCluster(folder: string): void
