/**
 * What the first download need not carry: parts of the libraries that their own index pulls in and that this application
 * never reaches. Each row names the module (as its library asks for it) and what stands in its place.
 */
const path = require('node:path')

const here = (file) => path.join(__dirname, file)
const NOTHING = here('nothing.js')

/** The list of components, and whoever asks for one of it: what they ask of each other stays. */
const OUTSIDE = /react-native-web[\\/]dist[\\/]index|^(?!.*react-native-web[\\/]dist)/
const UNUSED = require('./unused')

module.exports = [
  // tab bars, menus and previews of the router: there are none in the application
  { from: /expo-router[\\/]build[\\/]/, asks: /\/layouts\/(Tabs|experimental-stack)$/, gives: NOTHING },
  {
    from: /expo-router[\\/]build[\\/]/,
    asks: /react-navigation\/bottom-tabs$/,
    gives: here('bottomTabs.js'),
  },
  { from: /expo-router[\\/]build[\\/]layouts[\\/]/, asks: /^\.\/toolbar$/, gives: NOTHING },
  { from: /expo-router[\\/]build[\\/]head[\\/]/, asks: /^\.\/ExpoHead$/, gives: here('ExpoHead.js') },
  // its title bars, and its own list of addresses
  {
    from: /react-navigation[\\/]elements[\\/]/,
    asks: /\/Header(BackButton|Button|SearchBar|Title|Background)?$/,
    gives: NOTHING,
  },
  { from: /expo-router[\\/]build[\\/]/, asks: /\/views\/Sitemap$/, gives: NOTHING },
  // components of the framework that no screen has: it names all of them in one list
  { from: OUTSIDE, asks: /\/exports\/Animated$/, gives: here('still.js') },
  {
    from: OUTSIDE,
    asks: new RegExp(`/exports/(${UNUSED.join('|')})$`),
    gives: here('empty.js'),
  },
  // drawings out of text and out of files: every drawing here is made of elements
  { from: /react-native-svg[\\/]/, asks: /^\.\/(xml|deprecated|utils\/fetchData)$/, gives: NOTHING },
  // readers of written transforms: the browser reads them itself
  {
    from: /react-native-svg[\\/].*extract[\\/]/,
    asks: /^\.\/transform(ToRn)?$/,
    gives: NOTHING,
  },
  // skeletons of numbers and dates, and what rewrites messages: no message here has any (words.test.ts)
  {
    from: /icu-messageformat-parser[\\/]/,
    asks: /icu-skeleton-parser$|\/date-time-pattern-generator(\.js)?$|\/manipulator(\.js)?$/,
    gives: NOTHING,
  },
  { from: /(intl-messageformat|icu-messageformat-parser)[\\/]/, asks: /^tslib$/, gives: here('tslib.js') },
  { from: /react-native-web[\\/]dist/, asks: /helpers\/objectSpread2$/, gives: here('spread.js') },
  { from: /./, asks: /^uuid$/, gives: here('uuid.js') },
]
