/** Money as a whole number of hundredths of the one currency in use. */
export type Cents = number;

export const fromDecimal = (amount: number): Cents => Math.round(amount * 100);
export const toDecimal = (cents: Cents): number => cents / 100;

/** Two decimals, no currency sign: the maker knows which currency. */
export const printMoney = (cents: Cents): string => (cents / 100).toFixed(2);
