export { lineFree, type LineFree } from './lineFree.js';
export { watchSpeeds, type Watch, type WatchedSpeed, type WatchView } from './watch.js';
export {
  CHORD_HZ,
  guideScale,
  soundGuide,
  STOP_HZ,
  THUMP_HZ,
  type Guide,
  type GuideNow,
  type GuideSound,
  type GuideWord,
} from './sound.js';
