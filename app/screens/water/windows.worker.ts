/** Joins work into the fewest times without water beside the page. */
import { expose } from 'comlink';
import { joinWindows, type Span, type WaterNetwork, type WindowJob, type WindowsAnswer } from '../../../core/index.ts';

const windows = {
  join: (net: WaterNetwork, jobs: WindowJob[], day: Span, quiet: Span[], onProgress: (part: number) => void): WindowsAnswer =>
    joinWindows(net, jobs, day, quiet, onProgress),
};
export type WindowsWorker = typeof windows;
expose(windows);
