export { AlongList } from './AlongList.tsx';
export { Chains, chainKey } from './Chains.tsx';
export { flowOf } from './flow-of.ts';
export { type LikelyRun, useLikelyNeeds } from './likely.ts';
export { RankBar } from './RankBar.tsx';
