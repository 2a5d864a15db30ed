// the four helpers that the message library asks for: the whole of them cannot be shaken
export const __assign = Object.assign
export const __spreadArray = (to, from) => [...to, ...from]

export function __extends(made, base) {
  Object.setPrototypeOf(made, base)
  made.prototype = Object.create(base.prototype, { constructor: { value: made } })
}

export function __rest(given, left) {
  return Object.fromEntries(Object.entries(given).filter(([key]) => !left.includes(key)))
}
