export interface Stack {
  readonly url: string
  readonly adminUrl: string
  startServer(): Promise<void>
  killServer(): Promise<void>
  stop(): Promise<void>
}
export function startStack(): Promise<Stack>
export const CHROMIUM: { executablePath: string; args: string[] }
