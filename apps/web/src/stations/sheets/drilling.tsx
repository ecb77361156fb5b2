import { printAngle, printLengthUnit, type Ticks } from '@spare-knot/core/measure';
import { type Feature, holeRise, holeSize, type Panel } from '@spare-knot/core/panels';

import { Length } from '../../measure/length';
import { useUnits } from '../../measure/units';

type Round = Extract<Feature, { diameter: number }>;
type Groove = Extract<Feature, { kind: 'groove' }>;
type Entrance = Exclude<Feature, { kind: 'groove' | 'mesh' }>;

const HOLES: Record<Exclude<Round['kind'], 'entrance' | 'pilot'>, string> = {
  vent: 'vent holes',
  drain: 'drain holes',
  pivot: 'pivot',
  latch: 'latch hole',
  mount: 'hole to hang it by',
};
const GROOVES: Record<Exclude<Groove['purpose'], 'grip'>, string> = {
  drip: 'drip kerf',
  dado: 'groove',
  notch: 'notch',
  niche: 'roosting niche',
};

/** How a hole is bored that is not square to its face. */
const slopeOf = (feature: Feature): string => {
  const rise = holeRise(feature);
  return rise === 0 ? '' : `, sloping ${rise < 0 ? 'down' : 'up'} ${printAngle(Math.abs(rise))}`;
};

/** Round holes but entrances and pilots, those of one kind and size together. */
function roundHoles({ features }: Panel) {
  const found = new Map<string, { name: string; diameter: number; count: number }>();
  for (const feature of features) {
    if (!('diameter' in feature) || feature.kind === 'entrance' || feature.kind === 'pilot')
      continue;
    const { kind, diameter } = feature;
    const name = `${HOLES[kind]}${slopeOf(feature)}`;
    const key = `${name} ${diameter}`;
    found.set(key, { name, diameter, count: (found.get(key)?.count ?? 0) + 1 });
  }
  return [...found.values()];
}

/** Pilot holes, those of one screw together, with what they are opened to where the screw is to slip through. */
function pilotHoles({ features }: Panel) {
  const found = new Map<
    string,
    { diameter: number; clearance: number | undefined; count: number }
  >();
  for (const feature of features) {
    if (feature.kind !== 'pilot') continue;
    const { diameter, clearance } = feature;
    const key = `${diameter} ${clearance}`;
    found.set(key, { diameter, clearance, count: (found.get(key)?.count ?? 0) + 1 });
  }
  return [...found.values()];
}

const isEntrance = (feature: Feature): feature is Entrance => feature.kind === 'entrance';
const isGroove = (feature: Feature): feature is Groove => feature.kind === 'groove';

/** The entrance with its size, and where its centre is; of several their number. */
function Entrances({ entrances }: { entrances: readonly Entrance[] }) {
  const [entrance] = entrances;
  const size = entrance && holeSize(entrance);
  if (!entrance || !size) return null;
  const upwards = holeRise(entrance);
  return (
    <span className="block">
      {entrances.length > 1 ? `${entrances.length} entrances ` : 'entrance '}
      <Length ticks={size.width} unit />
      {size.width !== size.height && (
        <>
          {' '}
          × <Length ticks={size.height} unit />
        </>
      )}
      {entrances.length === 1 && (
        <>
          , its centre <Length ticks={entrance.centre[0]} unit /> from the lower end
        </>
      )}
      {upwards > 0 && `, bored ${printAngle(upwards)} upwards from outside`}
    </span>
  );
}

function GrooveLine({ groove }: { groove: Groove }) {
  if (groove.purpose === 'grip') return null;
  return (
    <span className="block">
      {GROOVES[groove.purpose]} <Length ticks={groove.width} /> wide,{' '}
      <Length ticks={groove.depth} unit /> deep, {groove.face}
    </span>
  );
}

/** What is drilled and grooved, measured from the panel's lower end and its near edge. */
export function Drilling({ panel }: { panel: Panel }) {
  const { style } = useUnits();
  // Bits come in sixty-fourths, whatever the tape is divided in.
  const bits = style.system === 'inch' ? ({ system: 'inch', division: 64 } as const) : style;
  const bitSize = (diameter: Ticks) => printLengthUnit(diameter, bits);
  const grooves = panel.features.filter(isGroove);
  const grip = grooves.filter(({ purpose }) => purpose === 'grip').length;
  return (
    <>
      <Entrances entrances={panel.features.filter(isEntrance)} />
      {roundHoles(panel).map(({ name, diameter, count }) => (
        <span key={`${name} ${diameter}`} className="block">
          {count} {name}, <Length ticks={diameter} unit />
        </span>
      ))}
      {grip > 0 && <span className="block">{grip} shallow kerfs to climb or hang by</span>}
      {grooves.map((groove, index) => (
        <GrooveLine key={index} groove={groove} />
      ))}
      {pilotHoles(panel).map(({ diameter, clearance, count }) => (
        <span key={`${diameter} ${clearance}`} className="block">
          {count} pilot {count === 1 ? 'hole' : 'holes'} for {clearance ? 'screws' : 'nails'},{' '}
          {bitSize(diameter)}
          {clearance && `, in this panel opened to ${bitSize(clearance)}`}
        </span>
      ))}
    </>
  );
}
