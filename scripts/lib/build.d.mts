export function buildWeb(): Promise<void>
export function buildServer(): Promise<void>
