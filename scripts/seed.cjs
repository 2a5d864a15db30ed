const fc = require('fast-check')

fc.configureGlobal({ seed: 20_261_127 })
