/** Kinds of pipe by name, for those who do without the tables. */
export { MATERIAL_NAMES } from '../reference/materialNames'
