import {
  InvalidRequestError,
  isOperation,
  type OperationName,
  operationSchema,
  operations,
  runOperation,
} from '@diarmos/contract'

const USAGE = `diarmos: the core without the application. JSON in, JSON out.

  npm run -s diarmos -- <operation> < request.json
  npm run -s diarmos -- schema <operation>

operations:
${Object.entries(operations)
  .map(([name, { summary }]) => `  ${name.padEnd(10)} ${summary}`)
  .join('\n')}
`

async function readInput(): Promise<string> {
  const chunks: Buffer[] = []
  for await (const chunk of process.stdin) chunks.push(chunk as Buffer)
  return Buffer.concat(chunks).toString('utf8')
}

function fail(lines: readonly string[]): never {
  process.stderr.write(`${lines.join('\n')}\n`)
  process.exit(2)
}

function known(name: string | undefined): OperationName {
  if (name === undefined || !isOperation(name))
    fail([`no operation “${name ?? ''}”; there are ${Object.keys(operations).join(', ')}`])
  return name
}

async function main(): Promise<void> {
  const [first, second] = process.argv.slice(2)
  if (first === undefined) {
    process.stdout.write(USAGE)
    return
  }
  if (first === 'schema') {
    process.stdout.write(`${JSON.stringify(operationSchema(known(second)), null, 2)}\n`)
    return
  }
  const name = known(first)
  const input = await readInput()
  let request: unknown
  try {
    request = JSON.parse(input)
  } catch (error) {
    fail([`(whole): not JSON: ${(error as Error).message}`])
  }
  try {
    process.stdout.write(`${JSON.stringify(runOperation(name, request), null, 2)}\n`)
  } catch (error) {
    if (error instanceof InvalidRequestError)
      fail(error.faults.map((fault) => `${fault.path}: ${fault.message}`))
    throw error
  }
}

await main()
