const { TestEnvironment } = require('jest-environment-node')

/** After the first test that fails, the rest of its file is passed over. */
module.exports = class extends TestEnvironment {
  #seen = false
  async handleTestEvent(event) {
    if (event.name === 'test_done' && event.test.errors.length > 0) this.#seen = true
    if (event.name === 'test_start' && this.#seen) event.test.mode = 'skip'
  }
}
