/** Everything that is filled in letter by letter, in one chunk: the form library is asked for only here. */
export { NewJob } from '../job/NewJob'
export { AmendmentSheet } from '../shop/AmendmentSheet'
export { NumbersSheet } from '../shop/NumbersSheet'
export { PartSheet } from '../shop/PartSheet'
