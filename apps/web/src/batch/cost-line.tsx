import type { BatchCost } from '@idle-kettle/core';
import { moneyWords } from '../ui/money.js';

interface CostLineProps {
  readonly cost: BatchCost;
  readonly currency: string | undefined;
}

/** "About €0.48 a jar, €4.10 in all; without a price: damsons." */
export const CostLine = ({ cost: { perJar, total, unpriced }, currency }: CostLineProps) => (
  <p className="text-sm text-soft">
    About <strong>{moneyWords(perJar, currency)}</strong> a jar, {moneyWords(total, currency)} in
    all
    {unpriced.length > 0 && `; without a price: ${unpriced.join(', ')}`}.
  </p>
);
