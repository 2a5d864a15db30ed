/** The point of a body by its name: two points of a house have bodies of their own. */
export const pointOf = (id: string | undefined) => (id?.includes(' ') ? id.slice(0, id.lastIndexOf(' ')) : '')
