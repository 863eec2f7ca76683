/** An amount in the workshop's currency, without cents where it is large; the bare figure where none is set. */
export function moneyText(amount: number, currency: string | undefined): string {
  const digits = Math.abs(amount) >= 100 ? 0 : 2;
  const text = Math.abs(amount)
    .toFixed(digits)
    .replace(/\B(?=(\d{3})+(?!\d))/g, ',');
  return `${amount < 0 ? '−' : ''}${text}${currency ? ` ${currency}` : ''}`;
}
