export * from './agreed'
export * from './block'
export * from './blocks'
export * from './pdf'
