import { collect } from './groups.cjs'

collect('servers')
