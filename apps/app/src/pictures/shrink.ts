import { askOnce } from '../workers/askOnce'
import type { Shrunk } from './shrink.worker'

const FAULTS = {
  unreadable:
    'This file is no picture that the browser can read: take one with the camera, or choose a JPEG or a PNG.',
  'too-large': 'This picture stays too large however small it is made: take it anew.',
} as const

/**
 * Makes a picture small, off the interface's thread; place and camera are not in it any more.
 *
 * @returns JPEG, base64, at most 400 000 letters
 * @throws Error whose message says what is wrong with the file
 */
export async function shrink(file: Blob): Promise<string> {
  const { base64, fault } = await askOnce<Shrunk>(
    new Worker(new URL('./shrink.worker.ts', import.meta.url)),
    file,
  )
  if (base64) return base64
  throw new Error(FAULTS[fault ?? 'unreadable'])
}
