import { JointFeatureSign, JointSign } from '../ui/jointSigns'
import { LookSign, SurfaceSign } from '../ui/signs'

/** The answer whose picture stands for the whole question. */
const EXAMPLE: Readonly<Record<string, string>> = {
  magnet: 'holds',
  flex: 'by-hand',
  tap: 'rings',
  carries: 'water',
  joint: 'compression',
  'joint-nut': 'hex-nut',
  'joint-band': 'copper-ring',
  'joint-seam': 'solder-line',
  'joint-turns': 'turns',
  colour: 'copper-brown',
  scratch: 'shaving',
  'shaving-colour': 'white',
  'print-colour': 'blue',
}

/** The drawn sign of a question, or of one of its answers. */
export function signFor(question: string, answer?: string) {
  const [kind, what = ''] = question.split(':')
  if (kind !== 'sign') return <LookSign kind={kind === 'outside' ? what : (kind ?? '')} />
  const shown = answer ?? EXAMPLE[what] ?? what
  switch (what) {
    case 'joint':
      return <JointSign kind={shown} />
    case 'joint-nut':
    case 'joint-band':
    case 'joint-seam':
    case 'joint-turns':
      return <JointFeatureSign kind={shown} />
    case 'colour':
    case 'scratch':
    case 'shaving-colour':
      return <SurfaceSign kind={shown} />
    case 'print-colour':
      return <SurfaceSign kind={shown} print />
    default:
      return <LookSign kind={shown} />
  }
}
