module.exports = (api) => {
  // asking for the environment also keeps the two apart in the cache
  const test = api.env('test')
  return {
    presets: [['babel-preset-expo', { jsxImportSource: 'nativewind' }], 'nativewind/babel'],
    // Jest's own module system has no `import()`
    plugins: test ? ['@babel/plugin-transform-dynamic-import'] : [],
  }
}
