/** Keeps the application for when the server is away: in the browser's own store, filled by the worker of the build, or as files fetched ahead. */

/** Once the rush of the first screens is over, ms. */
const AHEAD_AFTER_MS = 15_000;

/** Quiet in development, where there is nothing built to keep. */
export async function keepForReload(): Promise<void> {
  if (!import.meta.env.PROD || (await keptByWorker())) return;
  setTimeout(() => void fetchParts(), AHEAD_AFTER_MS);
}

/** False where there is no such worker: an old browser, a page not on loopback or https. */
async function keptByWorker(): Promise<boolean> {
  if (!('serviceWorker' in navigator)) return false;
  try {
    const registered: unknown = await navigator.serviceWorker.register('/sw.js');
    if (!registered) return false;
    await navigator.serviceWorker.ready;
    // The page that is open was fetched before the worker stood: it is kept now.
    const pages = await caches.open('pages');
    if (!(await pages.match('/'))) await pages.add('/');
    return true;
  } catch {
    return false;
  }
}

/**
 * Fetches the parts that the build named in the page, one after the other and without running them: the browser keeps
 * what has its hash in its name. One that fails is fetched when it is needed.
 */
export async function fetchParts(): Promise<void> {
  const named = document.getElementById('parts')?.textContent ?? '[]';
  for (const file of JSON.parse(named) as string[])
    await fetch(file, { priority: 'low' })
      .then((answer) => answer.arrayBuffer())
      .catch(() => undefined);
}
