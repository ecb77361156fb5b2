import { Edges, OrbitControls } from '@react-three/drei';
import { Canvas } from '@react-three/fiber';
import { at } from '@spare-knot/core/lists';
import type { Panel, PanelInstance, PanelSet } from '@spare-knot/core/panels';
import type { Vec3 } from '@spare-knot/core/solid';
import { useMemo, useState } from 'react';
import {
  BufferGeometry,
  DoubleSide,
  Float32BufferAttribute,
  Plane,
  Quaternion,
  Vector3,
} from 'three';
import { marksOf } from './marks';

/** Drawn units are decimetres, y up. */
const toDrawn = ([x, y, z]: readonly [number, number, number]): [number, number, number] => [
  x / 32000,
  z / 32000,
  -y / 32000,
];

/** A fan of triangles over a convex polygon. */
function fan(corners: readonly Vec3[], positions: number[]): void {
  for (let i = 1; i + 1 < corners.length; i += 1)
    for (const corner of [at(corners, 0), at(corners, i), at(corners, i + 1)])
      positions.push(...toDrawn(corner));
}

function geometryFrom(positions: readonly number[]): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute([...positions], 3));
  geometry.computeVertexNormals();
  return geometry;
}

function geometryOf(instance: PanelInstance): BufferGeometry {
  const positions: number[] = [];
  for (const face of instance.solid.faces)
    fan(
      face.map((index) => at(instance.solid.vertices, index)),
      positions,
    );
  return geometryFrom(positions);
}

/** Holes and grooves as dark patches; null for a panel that has none. */
function marksGeometry(panel: Panel, instance: PanelInstance): BufferGeometry | null {
  const positions: number[] = [];
  for (const corners of marksOf(panel, instance)) fan(corners, positions);
  return positions.length > 0 ? geometryFrom(positions) : null;
}

const COLOURS: readonly (readonly [RegExp, string])[] = [
  [/^roof/, '#b9854a'],
  [/^floor/, '#d2a76d'],
  [/^front/, '#ecd0a6'],
  [/^back/, '#d9b47f'],
  [/^(post|batten|lid|bearer|cleat|spacer|ladder)/, '#c99b5c'],
  [/^slab/, '#c89a63'],
];
const colourOf = (role: string): string =>
  COLOURS.find(([pattern]) => pattern.test(role))?.[1] ?? '#e2c092';

type Range = readonly [low: number, high: number];

/** Where a box begins and ends in space, and the middle that it turns round. */
function extentOf(box: PanelSet) {
  const corners = box.panels.flatMap(({ instances }) =>
    instances.flatMap(({ solid }) => solid.vertices),
  );
  const range = (axis: 0 | 1 | 2): Range => {
    const values = corners.map((corner) => corner[axis]);
    return [Math.min(...values), Math.max(...values)];
  };
  const [[x0, x1], [y0, y1], [z0, z1]] = [range(0), range(1), range(2)];
  return {
    middle: toDrawn([(x0 + x1) / 2, (y0 + y1) / 2, (z0 + z1) / 2]),
    reach: Math.max(x1 - x0, y1 - y0, z1 - z0) / 32000,
    left: x0 / 32000,
    right: x1 / 32000,
  };
}

const drawnPanels = (box: PanelSet) =>
  box.panels.flatMap((panel) =>
    panel.instances.map((instance, index) => ({
      key: `${panel.id} ${index}`,
      role: panel.role,
      geometry: geometryOf(instance),
      marks: marksGeometry(panel, instance),
      away: new Vector3(...toDrawn(instance.outsideNormal)).normalize(),
    })),
  );
type DrawnPanel = ReturnType<typeof drawnPanels>[number];

/** One panel, moved away from the others, with its holes. */
function PanelInSpace({
  panel,
  apart,
  planes,
  edged,
}: {
  panel: DrawnPanel;
  apart: number;
  planes: Plane[];
  edged: boolean;
}) {
  return (
    <group position={panel.away.clone().multiplyScalar(apart)}>
      <mesh geometry={panel.geometry}>
        <meshStandardMaterial
          color={colourOf(panel.role)}
          flatShading
          side={DoubleSide}
          roughness={0.9}
          polygonOffset
          polygonOffsetFactor={2}
          polygonOffsetUnits={2}
          clippingPlanes={planes}
        />
        {edged && <Edges threshold={12} color="#3b2a14" />}
      </mesh>
      {panel.marks && (
        <mesh geometry={panel.marks}>
          <meshBasicMaterial color="#2e2012" side={DoubleSide} clippingPlanes={planes} />
        </mesh>
      )}
    </group>
  );
}

type Pipe = Extract<NonNullable<PanelSet['fittings']>[number], { kind: 'pipe' }>;

const pipesOf = ({ fittings = [] }: PanelSet): Pipe[] =>
  fittings.flatMap((fitting) => (fitting.kind === 'pipe' ? [fitting] : []));

/** A pipe in the front, moved out with it. */
function PipeInSpace({ pipe, apart, planes }: { pipe: Pipe; apart: number; planes: Plane[] }) {
  const { from, to, outside } = pipe;
  const radius = outside / 64000;
  const [start, end] = [from, to].map((point) => new Vector3(...toDrawn(point)));
  const run = (end ?? new Vector3()).clone().sub(start ?? new Vector3());
  return (
    <mesh
      position={toDrawn([0, (from[1] + to[1]) / 2 - apart * 32000, (from[2] + to[2]) / 2])}
      quaternion={new Quaternion().setFromUnitVectors(
        new Vector3(0, 1, 0),
        run.clone().normalize(),
      )}
    >
      <cylinderGeometry args={[radius, radius, run.length(), 32, 1, true]} />
      <meshStandardMaterial color="#8a979c" side={DoubleSide} clippingPlanes={planes} />
    </mesh>
  );
}

/** Light from above and a little from behind. */
const LIGHTS = (
  <>
    <ambientLight intensity={1.6} />
    <directionalLight position={[-3, 5, 4]} intensity={2.2} />
    <directionalLight position={[4, 1, -3]} intensity={0.7} />
  </>
);

/** The box as solid wood, to turn with the mouse, to pull apart for the dry fit, and to cut open. */
export default function SolidView({ box, height }: { box: PanelSet; height: number }) {
  const [apart, setApart] = useState(0.35);
  const [cut, setCut] = useState(0);
  const panels = useMemo(() => drawnPanels(box), [box]);
  const { middle, reach, left, right } = useMemo(() => extentOf(box), [box]);
  const far = 1.6 + reach * 1.5;
  const away = apart * Math.max(1, reach / 4);
  // The cutting plane takes away what lies left of it; it moves with the group, so it is set in the world.
  const planes = useMemo(
    () =>
      cut > 0 ? [new Plane(new Vector3(1, 0, 0), -(left + (right - left) * cut - middle[0]))] : [],
    [cut, left, right, middle],
  );
  return (
    <div>
      <div style={{ height }} className="rounded-md bg-[#efe8d8]">
        <Canvas
          frameloop="demand"
          dpr={[1, 2]}
          onCreated={({ gl }) => {
            gl.localClippingEnabled = true;
          }}
          camera={{ position: [-far * 0.7, far * 0.5, far * 0.85], fov: 38 }}
          role="img"
          aria-label="The box as solid wood"
        >
          {LIGHTS}
          <group position={[-middle[0], -middle[1], -middle[2]]}>
            {panels.map((panel) => (
              <PanelInSpace
                key={panel.key}
                panel={panel}
                apart={away}
                planes={planes}
                edged={cut === 0}
              />
            ))}
            {pipesOf(box).map((pipe) => (
              <PipeInSpace key={pipe.from[2]} pipe={pipe} apart={away} planes={planes} />
            ))}
          </group>
          <OrbitControls makeDefault enablePan={false} minDistance={1} maxDistance={far * 3} />
        </Canvas>
      </div>
      <div className="mt-2 grid grid-cols-2 gap-4 max-sm:grid-cols-1">
        <Slider label="Pull apart" most={1.2} value={apart} onChange={setApart} />
        <Slider label="Cut open" most={0.95} value={cut} onChange={setCut} />
      </div>
      <p className="text-sm text-soft">Drag to turn it, scroll to come closer.</p>
    </div>
  );
}

function Slider({
  label,
  most,
  value,
  onChange,
}: {
  label: string;
  most: number;
  value: number;
  onChange: (value: number) => void;
}) {
  return (
    <label className="flex items-center gap-3">
      <span className="label whitespace-nowrap">{label}</span>
      <input
        type="range"
        min="0"
        max={most}
        step="0.01"
        value={value}
        onChange={(event) => onChange(Number(event.target.value))}
        className="h-6 flex-1 accent-chalk"
      />
    </label>
  );
}
