import { useEffect, useMemo, useState } from 'react';
import type { RunCatalogue } from '../../../record/index.ts';
import type { ClientCatalogue } from '../../ui/held/index.ts';

export type WithFlow = ClientCatalogue & Pick<RunCatalogue, 'flowOf'>;

/** The catalogue with what reckons flows, once that is here: the visit does not wait for it. */
export function useWithFlow(catalogue: ClientCatalogue | null): WithFlow | null {
  const [make, setMake] = useState<typeof import('../../ui/chains/index.ts').flowOf | null>(null);
  useEffect(() => {
    import('../../ui/chains/flow-of.ts').then(
      (module) => setMake(() => module.flowOf),
      () => {
        // Without it figures of the appliance's design stand in their place.
      },
    );
  }, []);
  return useMemo(() => catalogue && (make ? { ...catalogue, flowOf: make(catalogue.losses, catalogue.parts) } : catalogue), [catalogue, make]);
}
