const { getDefaultConfig } = require('expo/metro-config')
const { withNativeWind } = require('nativewind/metro')
const lean = require('./web/lean')

const config = withNativeWind(getDefaultConfig(__dirname), { input: './global.css' })
const { resolveRequest } = config.resolver

config.resolver.resolveRequest = (context, name, platform) => {
  const row = lean.find(({ from, asks }) => asks.test(name) && from.test(context.originModulePath))
  if (row) return { type: 'sourceFile', filePath: row.gives }
  return (resolveRequest ?? context.resolveRequest)(context, name, platform)
}

// the usual one takes ten times as long, and its code is no smaller
config.transformer.minifierPath = require.resolve('./web/minify')
// left to the minifier, which keeps the names that are the same in every module
config.transformer.unstable_disableNormalizePseudoGlobals = true
module.exports = config
