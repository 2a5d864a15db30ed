const { minifySync } = require('@swc/core')

/** Metro's minifier: one module's code made small. No source map of it is shipped, so none is made. */
module.exports = ({ code, map, reserved = [] }) => ({
  code: minifySync(code, {
    compress: true,
    mangle: { reserved: [...reserved] },
    module: false,
    format: { comments: false },
  }).code,
  map,
})
