import { NEST_CAUTIONS } from '../../cautions.js';
import { checkRoom } from '../../checks.js';
import type { Family } from '../../family.js';
import { build } from './build.js';
import { dimensions } from './dimensions.js';
import { PARAMETERS, ROLES, SCHOOLS } from './parameters.js';
import { suit } from './suit.js';

/** The common small box, up to duck and kestrel size. */
export const slantRoof: Family = {
  id: 'slant-roof',
  name: 'Slant-roof box',
  summary: 'Six panels under one sloping or flat roof.',
  parameters: PARAMETERS,
  schools: SCHOOLS,
  roles: ROLES,
  cautions: NEST_CAUTIONS,
  build,
  dimensions,
  checks: checkRoom,
  suit,
};
