/** For boxes in which birds nest. */
export const NEST_CAUTIONS: readonly string[] = [
  'Birds are protected in many countries: do not disturb nests or handle eggs.',
  'Clean small boxes at ground level; ladders and heavy boxes take two people and a rope.',
];

/** For boxes in which bats roost. */
export const ROOST_CAUTIONS: readonly string[] = [
  'Bats are protected in many countries: do not open an occupied box. Ask the local wildlife authority or a licensed handler.',
  'A bat box is heavy and hangs high: two people and a rope.',
];
