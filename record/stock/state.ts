/** A shelf or a van. What lies there follows from its counts and moves: `levels.ts`. */
export interface StockPlace {
  id: string;
  name: string;
  kind: 'shelf' | 'van';
}
