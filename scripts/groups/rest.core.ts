import { collect } from './groups.cjs'

collect('rest')
