// nothing moves in this application: what the router would animate stands where it is
class Value {
  constructor(value) {
    this.value = value
  }
  setValue(value) {
    this.value = value
  }
}
module.exports = {
  Value,
  createAnimatedComponent: (component) => component,
  // the router draws the ground of a screen with it
  get View() {
    return require('react-native-web/dist/exports/View').default
  },
}
