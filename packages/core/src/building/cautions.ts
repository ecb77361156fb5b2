/** For sawing, drilling and finishing. Common practice, no source. */
export const SHOP_CAUTIONS: readonly string[] = [
  'Eye and ear protection and a dust mask: redcedar and treated dust harm lungs.',
  'Unplug the saw to change a blade or set a tilt. Guards on, push sticks at hand.',
  'Nothing shorter than about 200 mm (8 in) is held by hand at a powered mitre saw or ripped on a table saw: cut it while the board is long, or clamp it.',
  'Clamp the front over scrap to drill the entrance.',
  'Find the nails before sawing reclaimed wood; wet wood kicks in the saw.',
  'Old paint may hold lead: test, do not sand.',
  'Children: an adult saws. Follow local codes and the saw’s own manual.',
];
