export {
  openLinePattern,
  readCaliperLine,
  readGaugeLine,
  type GaugeLine,
  type LinePattern,
  type LinePatternRead,
} from './linePattern';
export {
  doubtText,
  PullWatch,
  type PullDoubt,
  type PullSnapshot,
  type WatchedPull,
  type WatchSettings,
  type WatchState,
} from './PullWatch';
export { readTypedLine, type TypingGauge } from './readTypedLine';
