// the one function that is used of the library, which cannot be shaken
export { default as v4 } from '../../../node_modules/uuid/dist/v4.js'
