/**
 * Read before anything else by every process of the browser's tests: whichever of them serves the page says which
 * change is awake (CHANGED), and writes down (REACHED, a file) which were come to, when, and for which test worker.
 */
import { appendFileSync } from 'node:fs';
import { Server } from 'node:http';

const { CHANGED, REACHED, TEST_WORKER_INDEX } = process.env;
const { emit } = Server.prototype;

Server.prototype.emit = function (event, ...rest) {
  const [request, response] = rest;
  if (event !== 'request' || !request.url?.startsWith('/__')) return emit.call(this, event, ...rest);
  if (request.url.startsWith('/__changed')) response.end(REACHED ? 'reach' : (CHANGED ?? ''));
  else {
    if (REACHED) appendFileSync(REACHED, `${TEST_WORKER_INDEX} ${Date.now()} ${request.url.split('?')[1]}\n`);
    response.end();
  }
  return true;
};
