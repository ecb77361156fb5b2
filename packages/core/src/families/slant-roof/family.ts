import { checkRoom } from '../../checks/index.js';
import type { Family } from '../family.js';
import { NEST_CAUTIONS } from '../shared/cautions.js';
import { build } from './build.js';
import { dimensions } from './dimensions.js';
import { PARAMETERS, ROLES, SCHOOLS } from './parameters.js';
import { suit } from './suit.js';

/** The common small box, up to duck and kestrel size. */
export const slantRoof: Family = {
  id: 'slant-roof',
  name: 'Slant-roof box',
  summary: 'Six panels under one sloping or flat roof.',
  about:
    'The common small box, up to duck and kestrel size. The roof slopes to the front; edges of roof, front and back are tilted to match. With a flat roof a chop saw alone builds it.',
  parameters: PARAMETERS,
  schools: SCHOOLS,
  roles: ROLES,
  cautions: NEST_CAUTIONS,
  build: (plan) => build(plan),
  dimensions,
  checks: checkRoom,
  suit: (animal) => suit(animal),
};
