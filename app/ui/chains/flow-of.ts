/** What an appliance gets through a chain: fetched by the screens that tell of it. */
import { InputError, type LossRow, type Part, runFlow } from '../../../core/index.ts';
import type { FlowOf } from '../../../record/index.ts';

/** Null where what was read cannot be, or nothing would flow. */
export const flowOf =
  (losses: readonly LossRow[], parts: readonly Part[]): FlowOf =>
  (appliance, water, read, path) => {
    try {
      const flow = runFlow(appliance, water, read, path, parts, losses);
      return flow.point.gpm > 0 ? flow : null;
    } catch (fault) {
      if (fault instanceof InputError) return null;
      throw fault;
    }
  };
