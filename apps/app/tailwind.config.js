/** Colours are CSS variables, so that both themes share every class. */
const colour = (name) => `rgb(var(--${name}) / <alpha-value>)`

module.exports = {
  content: ['./src/**/*.{ts,tsx}'],
  presets: [require('nativewind/preset')],
  darkMode: 'class',
  theme: {
    extend: {
      colors: Object.fromEntries(
        [
          'sheet',
          'raised',
          'ink',
          'soft',
          'rule',
          'patina',
          'patina-wash',
          'on-patina',
          'amber',
          'amber-wash',
          'oxide',
          'oxide-wash',
          'hot',
          'cold',
        ].map((name) => [name, colour(name)]),
      ),
      fontFamily: { sans: ['Hyperlegible'], strong: ['HyperlegibleBold'] },
    },
  },
}
