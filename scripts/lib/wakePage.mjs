/**
 * Wakes a change in the page and its workers: the server of the tests says which (see wakeServer.mjs). Told `reach`, it
 * wakes none and tells the server which changes were come to.
 */
const told = (() => {
  try {
    const asked = new globalThis.XMLHttpRequest();
    asked.open('GET', '/__changed', false);
    asked.send();
    return asked.status === 200 ? asked.responseText : '';
  } catch {
    return '';
  }
})();

const seen = new Set();
let waiting = [];

function flush() {
  const numbers = waiting;
  waiting = [];
  fetch(`/__reached?${numbers.join(',')}`, { keepalive: true }).catch(() => waiting.push(...numbers));
}

function reached(number) {
  if (!seen.has(number)) {
    seen.add(number);
    if (waiting.push(number) === 1) setTimeout(flush, 30);
  }
  return false;
}

globalThis.__changed ??= told === 'reach' ? reached : (number) => String(number) === told;
