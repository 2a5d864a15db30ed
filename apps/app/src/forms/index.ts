/** Everything that is filled in letter by letter, in one chunk: the form library is asked for only here. */
export { NewJob } from '../job/NewJob'
export { NumbersSheet } from '../shop/NumbersSheet'
