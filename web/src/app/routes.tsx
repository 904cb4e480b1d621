import { createBrowserRouter } from 'react-router';
import { BenchScreen } from '../features/bench/BenchScreen.js';
import { Frame } from './Frame.js';
import { Failed, Missing } from './Missing.js';
import { say } from '@amber-gauge/core/words';

const waiting = <p style={{ padding: 24 }}>{say`Opening.`}</p>;

/** Screens load when they are first opened; the bench is there at once. */
export const router = createBrowserRouter([
  {
    element: <Frame />,
    errorElement: <Failed />,
    hydrateFallbackElement: waiting,
    children: [
      { path: '/', element: <BenchScreen /> },
      {
        path: '/take-in',
        lazy: async () => ({ Component: (await import('../features/intake/NewUnitScreen.js')).NewUnitScreen }),
      },
      { path: '/speed', lazy: async () => ({ Component: (await import('../features/speed/SpeedDesk.js')).SpeedDesk }) },
      {
        path: '/speed/tones',
        lazy: async () => ({ Component: (await import('../features/speed/ToneMaker.js')).ToneMaker }),
      },
      {
        path: '/workings/:id?',
        lazy: async () => ({ Component: (await import('../features/workings/WorkingsScreen.js')).WorkingsScreen }),
      },
      {
        path: '/live',
        lazy: async () => ({ Component: (await import('../features/live/LiveScreen.js')).LiveScreen }),
      },
      {
        path: '/shelf',
        lazy: async () => ({ Component: (await import('../features/shelf/ShelfScreen.js')).ShelfScreen }),
      },
      {
        path: '/day',
        lazy: async () => ({ Component: (await import('../features/day/DayScreen.js')).DayScreen }),
      },
      {
        path: '/book',
        lazy: async () => ({ Component: (await import('../features/book/BookScreen.js')).BookScreen }),
      },
      {
        path: '/practice',
        lazy: async () => ({ Component: (await import('../features/practice/PracticeScreen.js')).PracticeScreen }),
      },
      {
        path: '/set-up',
        lazy: async () => ({ Component: (await import('../features/setup/SetupScreen.js')).SetupScreen }),
      },
      { path: '*', element: <Missing /> },
    ],
  },
  {
    path: '/job/:id/sheet/:paper?',
    errorElement: <Failed />,
    hydrateFallbackElement: waiting,
    lazy: async () => ({ Component: (await import('../features/sheet/SheetScreen.js')).SheetScreen }),
  },
  {
    path: '/job/:id/:stage?',
    errorElement: <Failed />,
    hydrateFallbackElement: waiting,
    lazy: async () => ({ Component: (await import('../features/job/JobScreen.js')).JobScreen }),
  },
]);
