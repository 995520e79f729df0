/** The service worker that opens the app without the network; where a browser has none, the app needs the network to open. */
export default defineNuxtPlugin(() => {
  if ('serviceWorker' in navigator) void navigator.serviceWorker.register('/sw.js').catch(() => {})
})
