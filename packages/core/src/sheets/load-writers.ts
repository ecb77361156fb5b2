/** Writers of the formats that need a library of their own are loaded when a file is asked for, not before. */
export const loadDxf = () => import('./writers/dxf.js');
export const loadPdf = () => import('./writers/pdf.js');
