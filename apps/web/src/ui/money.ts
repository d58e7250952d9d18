/** "€1.35", "1.35 CHF": a sign stands before the figure, a code of letters after it. */
export function moneyWords(value: number, currency = ''): string {
  const figure = value.toFixed(2);
  if (currency === '') return figure;
  return /^[A-Za-z]+$/.test(currency) ? `${figure} ${currency}` : `${currency}${figure}`;
}
