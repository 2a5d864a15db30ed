// what it clears after each test it clears for all files only if it is read before them
import '@testing-library/react'
import { collect } from './groups.cjs'

collect('stages')
