import { Edges, OrbitControls } from '@react-three/drei';
import { Canvas } from '@react-three/fiber';
import type { PanelInstance, PanelSet } from '@spare-knot/core/box/panel-set.js';
import { useMemo, useState } from 'react';
import { BufferGeometry, DoubleSide, Float32BufferAttribute, Quaternion, Vector3 } from 'three';

/** Drawn units are decimetres, y up. */
const toDrawn = ([x, y, z]: readonly [number, number, number]): [number, number, number] => [x / 32000, z / 32000, -y / 32000];

function geometryOf(instance: PanelInstance): BufferGeometry {
  const positions: number[] = [];
  for (const face of instance.solid.faces) {
    for (let i = 1; i + 1 < face.length; i += 1)
      for (const index of [face[0]!, face[i]!, face[i + 1]!]) positions.push(...toDrawn(instance.solid.vertices[index]!));
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3));
  geometry.computeVertexNormals();
  return geometry;
}

const COLOURS: Record<string, string> = { roof: '#b9854a', floor: '#d2a76d', front: '#ecd0a6', back: '#d9b47f' };

/** The box as solid wood, to turn with the mouse or the arrow keys and to pull apart for the dry fit. */
export default function SolidView({ box, height }: { box: PanelSet; height: number }) {
  const [apart, setApart] = useState(0.35);
  const panels = useMemo(
    () =>
      box.panels.flatMap((panel) =>
        panel.instances.map((instance) => {
          const entrance = panel.features.find((feature) => feature.kind === 'entrance');
          const size =
            entrance?.kind === 'entrance'
              ? entrance.shape === 'round'
                ? [entrance.diameter, entrance.diameter]
                : [entrance.width, entrance.height]
              : null;
          return {
            id: panel.id,
            geometry: geometryOf(instance),
            away: new Vector3(...toDrawn(instance.outsideNormal)).normalize(),
            hole: size && {
              size: size.map((each) => each! / 32000) as [number, number],
              centre: holeCentre(instance, entrance!),
              normal: new Vector3(...toDrawn(instance.outsideNormal)).normalize(),
            },
            thickness: panel.thickness / 32000,
          };
        }),
      ),
    [box],
  );
  const middle = useMemo(() => {
    const cavity = box.cavities[0]!;
    return toDrawn([0, cavity.depth / 2, cavity.heightFront / 2]);
  }, [box]);
  const far = 2.4 + (box.cavities[0]!.heightBack / 32000) * 1.5;
  return (
    <div>
      <div style={{ height }} className="rounded-md bg-[#efe8d8]">
        <Canvas
          frameloop="demand"
          dpr={[1, 2]}
          camera={{ position: [-far * 0.7, far * 0.5, far * 0.85], fov: 38 }}
          aria-label="The box as solid wood"
        >
          <ambientLight intensity={1.6} />
          <directionalLight position={[-3, 5, 4]} intensity={2.2} />
          <directionalLight position={[4, 1, -3]} intensity={0.7} />
          <group position={[-middle[0], -middle[1], -middle[2]]}>
            {panels.map((panel) => (
              <group key={panel.id} position={panel.away.clone().multiplyScalar(apart)}>
                <mesh geometry={panel.geometry}>
                  <meshStandardMaterial
                    color={COLOURS[panel.id] ?? '#e2c092'}
                    flatShading
                    side={DoubleSide}
                    roughness={0.9}
                    polygonOffset
                    polygonOffsetFactor={2}
                    polygonOffsetUnits={2}
                  />
                  <Edges threshold={12} color="#3b2a14" />
                </mesh>
                {panel.hole &&
                  [0.002, -panel.thickness - 0.002].map((offset) => (
                    <mesh
                      key={offset}
                      position={new Vector3(...panel.hole!.centre).addScaledVector(panel.hole!.normal, offset)}
                      quaternion={new Quaternion().setFromUnitVectors(new Vector3(0, 0, 1), panel.hole!.normal)}
                      scale={[panel.hole!.size[0] / 2, panel.hole!.size[1] / 2, 1]}
                    >
                      <circleGeometry args={[1, 40]} />
                      <meshBasicMaterial color="#2e2012" side={DoubleSide} />
                    </mesh>
                  ))}
              </group>
            ))}
          </group>
          <OrbitControls makeDefault enablePan={false} minDistance={1} maxDistance={far * 3} />
        </Canvas>
      </div>
      <label className="mt-2 flex items-center gap-3">
        <span className="label">Pull apart</span>
        <input
          type="range"
          min="0"
          max="1.2"
          step="0.01"
          value={apart}
          onChange={(event) => setApart(Number(event.target.value))}
          className="h-6 flex-1 accent-chalk"
        />
      </label>
      <p className="text-sm text-soft">Drag to turn it, scroll to come closer.</p>
    </div>
  );
}

/** The hole's middle on the outside face, in drawn units. */
function holeCentre(instance: PanelInstance, feature: PanelSet['panels'][number]['features'][number]): [number, number, number] {
  if (feature.kind === 'groove') return [0, 0, 0];
  const { origin, x } = instance.frame;
  const n = instance.outsideNormal;
  const y = [n[1] * x[2] - n[2] * x[1], n[2] * x[0] - n[0] * x[2], n[0] * x[1] - n[1] * x[0]] as const;
  const [u, v] = feature.centre;
  return toDrawn([origin[0] + u * x[0] + v * y[0], origin[1] + u * x[1] + v * y[1], origin[2] + u * x[2] + v * y[2]]);
}
