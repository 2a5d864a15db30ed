/** What a person can answer by looking, and the answers there are. */
export const SIGN_ANSWERS = {
  magnet: ['holds', 'falls'],
  scratch: ['copper', 'silver', 'yellow', 'shaving'],
  colour: [
    'copper-brown',
    'green',
    'grey-metal',
    'black',
    'yellow-metal',
    'chrome',
    'cream',
    'white',
    'red',
    'blue',
    'clear',
    'grey-plastic',
    'painted',
  ],
  flex: ['rigid', 'flexible'],
  joint: ['sweat', 'compression', 'push-fit', 'threaded', 'crimp', 'cinch', 'expansion', 'cement'],
  'print-colour': ['green', 'blue', 'red', 'none-seen'],
  carries: ['water', 'gas-signs'],
} as const

export type SignKind = keyof typeof SIGN_ANSWERS

/** Ways to measure across or round a pipe. */
export const MEASURING_INSTRUMENTS = ['caliper', 'tape', 'screen-gauge', 'string', 'paper-strip'] as const
export type MeasuringInstrument = (typeof MEASURING_INSTRUMENTS)[number]
