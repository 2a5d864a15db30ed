// every browser has them, jsdom does not
const { TextDecoder, TextEncoder } = jest.requireActual('node:util')
Object.assign(globalThis, { TextDecoder, TextEncoder })

export {}
