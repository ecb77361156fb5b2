import { createContext, useContext } from 'react';

/** What the number on a panel counts: boxes of a batch, or where boxes that are out are mended, pieces that are alike. */
export const CopyWordContext = createContext('box');
export const useCopyWord = (): string => useContext(CopyWordContext);
