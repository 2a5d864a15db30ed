// a component that draws nothing
module.exports = () => null
