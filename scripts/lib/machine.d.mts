export const ROOT: string
