import { collect } from './groups.cjs'

collect('drains')
