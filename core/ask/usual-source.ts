import type { EndCode } from '../ends/index.ts';

/** Where water mostly comes from: a row of usual-sources.csv. */
export interface UsualSource {
  /** Id in appliances.csv; '*' any that has no rows of its own. */
  appliance: string;
  /** As it is asked: '1/2 copper', 'tee off the sink stop'. */
  say: string;
  from: EndCode;
  /** What keeps its water and is joined again; null where nothing does. */
  rejoin: EndCode | null;
}
