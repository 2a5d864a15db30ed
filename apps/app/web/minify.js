const { minifySync } = require('@swc/core')

/**
 * What the bundler hands to every module, by the names that it gives. Left as they are they are the same in all modules,
 * and compressed away; the bundler's own short names do no better, for a fifth of the time of a build.
 */
const HANDED = [
  'global',
  'require',
  '_$$_IMPORT_DEFAULT',
  '_$$_IMPORT_ALL',
  'module',
  'exports',
  '_dependencyMap',
]

/** Metro's minifier: one module's code made small. No source map of it is shipped, so none is made. */
module.exports = ({ code, map, reserved = [] }) => ({
  code: minifySync(code, {
    compress: true,
    mangle: { reserved: [...HANDED, ...reserved] },
    module: false,
    format: { comments: false },
  }).code,
  map,
})
