/// <reference types="nativewind/types" />
declare module '*.css'
declare module '*.ttf' {
  /** Where the font is served. */
  const url: string
  export default url
}
