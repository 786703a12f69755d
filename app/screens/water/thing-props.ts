import type { WaterNetwork } from '../../../core/index.ts';
import type { WaterThing } from '../../../record/index.ts';

export interface ThingProps {
  thing: WaterThing;
  net: WaterNetwork;
  nameOf: (id: string) => string;
  isWork: boolean;
  isStruck: boolean;
  /** Runs of the premises whose inlet is not drawn yet. */
  runsLeft: { id: string; name: string }[];
  onWork: () => void;
  onStrike: (isOut: boolean) => void;
  onTried: (condition: Extract<WaterThing, { what: 'valve' }>['condition']) => void;
  onDraw: (things: WaterThing[], at: string) => void;
  onGone: () => void;
  onClose: () => void;
}
