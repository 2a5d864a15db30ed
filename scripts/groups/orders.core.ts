import { collect } from './groups.cjs'

collect('orders')
