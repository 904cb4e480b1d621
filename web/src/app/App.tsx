/** Theme, data and routes around the screens. */
import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import { ThemeProvider } from '@mui/material/styles';
import useMediaQuery from '@mui/material/useMediaQuery';
import { QueryClientProvider } from '@tanstack/react-query';
import { useLayoutEffect, useMemo } from 'react';
import { RouterProvider } from 'react-router/dom';
import { TimerWatch } from '../features/timers/TimerWatch.js';
import { Notice } from '../shared/ui/Notice.js';
import { queryClient } from '../shared/api/queries.js';
import { nightQuery, useModeWish } from './mode.js';
import { nonce } from './nonce.js';
import { router } from './routes.js';
import { makeTheme } from './theme.js';
import { applyPalette, type Mode } from './tokens.js';

const styles = createCache({ key: 'ag', prepend: true, ...(nonce ? { nonce } : {}) });

export function App() {
  const wish = useModeWish((state) => state.wish);
  const deviceNight = useMediaQuery(nightQuery, { noSsr: true });
  const mode: Mode = wish === 'auto' ? (deviceNight ? 'night' : 'day') : wish;
  const theme = useMemo(() => makeTheme(mode), [mode]);
  useLayoutEffect(() => applyPalette(mode), [mode]);
  return (
    <CacheProvider value={styles}>
      <ThemeProvider theme={theme}>
        <QueryClientProvider client={queryClient}>
          <RouterProvider router={router} />
          <Notice />
          <TimerWatch />
        </QueryClientProvider>
      </ThemeProvider>
    </CacheProvider>
  );
}
