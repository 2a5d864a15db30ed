// stands in for what this application does not use of a library: see lean.js
module.exports = {}
