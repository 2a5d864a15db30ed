import type { CoreFault, FaultCode } from '../fault'
import { type Sentence, say } from './say'

/** What is wrong with a question, in one sentence each. */
export const FAULTS: Readonly<Record<FaultCode, Sentence>> = {
  'no-pipe': 'no pipe {id} in the tables',
  'no-part': 'no part {id} in the catalogue',
  'no-such-part': 'no {family} with that end in the catalogue',
  'no-method': 'no joint method {id}',
  'no-removal': 'no removal {id}',
  'no-kind': 'no kind of fixture is called {id}',
  'no-height': 'no usual height {id}',
  'no-size': 'no iron pipe size {nominal}',
  'no-end': 'no {form} end in {system} {nominal}',
  'no-port': 'a part with {ends} ends has no end {port}',
  'no-piece': 'part {part} is no piece of pipe with something behind it',
  'no-direction': 'a direction without length',
  'line-without-end': 'no end of the line is named (to or cutIn)',
  'line-without-beginning': 'no beginning of the line is named (pipeId, from or branchOf)',
  'cut-in-without-pipe': 'a cut-in needs the pipe of the run (pipeId)',
  'no-trunk': 'no line {id} is asked about whose branch could be taken',
  'branches-off-itself': '{id} branches off itself',
}

/** A fault in words, without its place. */
export function faultText({ code, parameters }: Pick<CoreFault, 'code' | 'parameters'>): string {
  return say(FAULTS[code], parameters as Readonly<Record<string, string | number>>, 'mm')
}
