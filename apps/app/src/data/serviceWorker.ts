/** Keeps the shell on the phone. Only in a built application: while developing nothing may be stale. */
export function registerServiceWorker(): void {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return
  const register = () => {
    navigator.serviceWorker.register('/sw.js').catch(() => undefined)
  }
  // with lazy routes the load event may have passed already
  if (document.readyState === 'complete') register()
  else window.addEventListener('load', register, { once: true })
}
