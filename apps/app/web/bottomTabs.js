// the router's error page asks how high the tab bar is; there is none
exports.BottomTabBarHeightContext = require('react').createContext(undefined)
