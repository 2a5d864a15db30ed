export interface Stack {
  readonly url: string
  readonly adminUrl: string
  startServer(): Promise<void>
  killServer(): Promise<void>
  stop(): Promise<void>
}
/** Makes one that others begin as copies of; gives what throws it away. */
export function prepareStack(): Promise<() => void>
export function startStack(): Promise<Stack>
export const CHROMIUM: { executablePath: string; args: string[] }
