import { edgeName, type Panel } from '../../panels/index.js';
import type { BoredFace } from './hole.js';

/** A side of a panel in words: `outside`, `inside`, or an edge by the way that it looks. */
export const faceWords = (face: BoredFace, panel: Panel): string =>
  typeof face === 'string' ? face : `${edgeName(panel, face.edge)} edge`;
