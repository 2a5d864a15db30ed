import { z } from 'zod'

const schema = z.object({
  DIARMOS_HOST: z.string().default('127.0.0.1'),
  DIARMOS_PORT: z.coerce.number().int().min(0).max(65535).default(8717),
  /** Connection of a role that may make roles and databases. Only used while starting. */
  DIARMOS_ADMIN_URL: z.string().min(1),
  DIARMOS_DATABASE: z
    .string()
    .regex(/^[a-z][a-z0-9_]{0,50}$/)
    .default('diarmos'),
  /** Passwords of the two roles the product makes for itself. */
  DIARMOS_OWNER_PASSWORD: z.string().min(12),
  DIARMOS_APP_PASSWORD: z.string().min(12),
  /** Where the database's generation is kept beside it; in the data folder. */
  DIARMOS_GENERATION: z.string().optional(),
  DIARMOS_WEB: z.string().optional(),
  DIARMOS_DEMO: z.enum(['yes', 'no', 'reset']).default('no'),
  /** Behind a proxy that ends TLS: cookies are marked Secure. */
  DIARMOS_HTTPS: z.enum(['yes', 'no']).default('no'),
  /** Address that people use where it is not the one it listens on: `https://diarmos.example`. */
  DIARMOS_ADDRESS: z.url().optional(),
  /** Threads that solve; one fewer than there are processors where it is left out. */
  DIARMOS_SOLVERS: z.coerce.number().int().min(1).max(32).optional(),
  DIARMOS_LOG: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('info'),
})

export type Config = z.output<typeof schema>

/** Reads the configuration; a fault names the variable. @throws Error */
export function readConfig(environment: Record<string, string | undefined>): Config {
  const parsed = schema.safeParse(environment)
  if (parsed.success) return parsed.data
  throw new Error(parsed.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`).join('\n'))
}
