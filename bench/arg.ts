/** A setting of a measurement: `--name=value` on the command line. */
export const arg = (name: string, otherwise: string): string =>
  process.argv.find((each) => each.startsWith(`--${name}=`))?.split('=')[1] ?? otherwise
