// stands in for what this application does not use of a library: see unused.js
module.exports = {}
