/** Keeps the application for a reload without the server: the browser's own store, filled by the worker of the build. */

/** Quiet where there is none (an old browser, a page not on loopback or https, development). */
export async function keepForReload(): Promise<void> {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  try {
    await navigator.serviceWorker.register('/sw.js');
    await navigator.serviceWorker.ready;
    // The page that is open was fetched before the worker stood: it is kept now.
    const pages = await caches.open('pages');
    if (!(await pages.match('/'))) await pages.add('/');
  } catch {
    // The application works without it as long as the server is there.
  }
}
