import type { DrawnOption } from '@spare-knot/core/sheets';

/** Pictures by choice and option, for the plan of one question. */
export type OptionPictures = ReadonlyMap<string, DrawnOption>;

export const optionKey = (choice: string, option: string): string => `${choice}/${option}`;
