import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/index.css';
import '@fontsource/dejavu-sans/400.css';
import './app/global.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './app/App.js';
import { keepForReload } from './app/keepForReload.js';
import { startStream } from './shared/api/stream.js';
import { setClock, watchClock } from './shared/outbox/clock.js';
import { startOutbox } from './shared/outbox/outbox.js';

setClock().catch(() => undefined);
watchClock();
void startOutbox();
startStream();
void keepForReload();

const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <App />
    </StrictMode>,
  );
}
