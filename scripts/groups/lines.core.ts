import { collect } from './groups.cjs'

collect('lines')
