/** A piece of a sheet, in its order down the page. */
export type Block =
  | { readonly kind: 'title' | 'text' | 'heading' | 'small'; readonly text: string }
  /** A drawing to scale, as SVG. */
  | { readonly kind: 'drawing'; readonly svg: string }
  /** A picture, as it was kept: base64. */
  | { readonly kind: 'picture'; readonly base64: string; readonly text: string }
  /** What somebody wrote with a finger, as the path of an SVG in a box of 320 by 120. */
  | { readonly kind: 'signature'; readonly path: string; readonly text: string }
