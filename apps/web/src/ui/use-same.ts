import { replaceEqualDeep } from '@tanstack/react-query';
import { useState } from 'react';

/**
 * The value as the same object for as long as it says the same: a formula that comes back from the
 * server as it was sent is no new formula, and what was worked out for it still holds. Parts that
 * did not change stay the same objects too.
 */
export function useSame<T>(value: T): T {
  const [kept, setKept] = useState(value);
  const same = replaceEqualDeep<T>(kept, value);
  if (same !== kept) setKept(same);
  return same;
}
