'use client';
/** What stands on the turntable, drawn with three.js: skin, areas, rows, lie, cover, fur. Redrawn only when asked. */
import { Canvas, useThree } from '@react-three/fiber';
import { useEffect, useMemo, useState, type RefObject } from 'react';
import * as THREE from 'three';
import type { Strands } from '@/core/coat/strands';
import type { Plan } from '@/core/plan';
import { furStrands } from '@/desk/planner';
import { useDesk } from '@/desk/store';
import type { FormRoom, View } from '@/desk/view';
import { AreaOnAnimal } from './AreaOnAnimal';
import { centreOf, eye } from './camera';
import { Inside } from './InsideOfAnimal';
import { useTouch } from './useTouch';
import { BARE, surface, useFreed } from './turntable-geometry';

export interface SceneProps {
  readonly plan: Plan;
  readonly view: View;
  readonly perMm: number;
  readonly litRow: number | null;
  readonly software: boolean;
  /** In Form: the room, which says what a press or a drag on the animal does. */
  readonly tool: FormRoom | undefined;
  /** Set while a stroke of the brush is under way, so that the animal is not turned by it. */
  readonly paintingRef: RefObject<boolean>;
}

// The renderer's own timer still uses a clock that three.js has announced to replace; nothing here depends on it.
THREE.setConsoleFunction((level, message, ...rest: unknown[]) => {
  if (String(message).startsWith('THREE.Clock')) return;
  console[level as 'log' | 'warn' | 'error'](message, ...rest);
});

/** How many strands of fur are drawn. */
const STRANDS = { software: 26_000, card: 110_000 } as const;

export function TurntableScene(p: SceneProps) {
  return (
    <Canvas
      orthographic
      flat
      frameloop="demand"
      dpr={p.software ? 1 : [1, 2]}
      gl={{ antialias: !p.software, alpha: true, powerPreference: 'low-power' }}
      camera={{ near: 0.1, far: 10_000 }}
      style={{ position: 'absolute', inset: 0 }}
      onCreated={({ gl }) => void (gl.localClippingEnabled = true)}
    >
      <Rig view={p.view} perMm={p.perMm} plan={p.plan} />
      <Animal {...p} />
    </Canvas>
  );
}

/** Puts the camera where the view says and the light over its shoulder. */
function Rig({ view, perMm, plan }: { view: View; perMm: number; plan: Plan }) {
  const { invalidate, scene, get } = useThree();
  const light = useMemo(() => new THREE.DirectionalLight('#ffffff', 1.9), []);
  const centre = useMemo(() => {
    return new THREE.Vector3(...centreOf(plan.form.skin.positions));
  }, [plan.form.skin]);
  useEffect(() => {
    scene.add(light, light.target);
    return () => {
      scene.remove(light, light.target);
    };
  }, [scene, light]);
  useEffect(() => {
    const { from, up } = eye(view);
    const dir = new THREE.Vector3(...from);
    const far = plan.form.lengthMm * 3;
    const camera = get().camera as THREE.OrthographicCamera;
    camera.position.copy(centre).addScaledVector(dir, far);
    camera.up.set(...up);
    camera.lookAt(centre);
    camera.zoom = perMm;
    camera.updateProjectionMatrix();
    light.position.copy(camera.position).addScaledVector(new THREE.Vector3(...up), far * 0.9);
    light.target.position.copy(centre);
    light.target.updateMatrixWorld();
    invalidate();
  }, [get, centre, invalidate, light, perMm, plan.form.lengthMm, view]);
  return <ambientLight intensity={1.35} />;
}

function Animal({ plan, view, litRow, software, tool, paintingRef }: SceneProps) {
  const draft = useDesk((s) => s.draft);
  const skin = draft ?? plan.form.skin;
  const touch = useTouch(plan, view, tool, paintingRef);
  const g = useFreed(useMemo(() => surface(skin.positions, skin.normals, skin.triangles), [skin]));
  const invalidate = useThree((s) => s.invalidate);
  useEffect(() => invalidate());
  return (
    <group {...touch.events}>
      {view.inside !== 'finished' && !draft && <Inside plan={plan} view={view} />}
      <mesh geometry={g} visible={view.inside === 'finished' || draft !== null}>
        <meshLambertMaterial color={BARE} polygonOffset polygonOffsetFactor={2} polygonOffsetUnits={2} />
      </mesh>
      {touch.trail}
      {plan.coat.areas.map(
        (a) =>
          a.surface &&
          !draft &&
          view.inside === 'finished' && (
            <AreaOnAnimal
              key={a.id}
              area={a}
              surfaceOf={a.surface}
              view={view}
              selected={a.id === view.areaId}
              litRow={a.id === view.areaId ? litRow : null}
              raise={plan.form.lengthMm * 0.0016}
            />
          ),
      )}
      {view.overlay === 'fur' && view.inside === 'finished' && !draft && (
        <Fur plan={plan} most={software ? STRANDS.software : STRANDS.card} />
      )}
      {view.overlay === 'lie' && view.inside === 'finished' && !draft && <Lie plan={plan} />}
    </group>
  );
}

function Fur({ plan, most }: { plan: Plan; most: number }) {
  const [fur, setFur] = useState<Strands | null>(null);
  useEffect(() => {
    let gone = false;
    void furStrands(most).then((s) => {
      if (!gone) setFur(s);
    });
    return () => {
      gone = true;
    };
  }, [plan, most]);
  const g = useFreed(
    useMemo(() => {
      if (!fur) return null;
      const b = new THREE.BufferGeometry();
      b.setAttribute('position', new THREE.BufferAttribute(fur.points, 3));
      b.setAttribute('color', new THREE.BufferAttribute(fur.colours, 3));
      return b;
    }, [fur]),
  );
  const invalidate = useThree((s) => s.invalidate);
  useEffect(() => invalidate(), [g, invalidate]);
  if (!g) return null;
  return (
    <lineSegments geometry={g}>
      <lineBasicMaterial vertexColors />
    </lineSegments>
  );
}

/** Short strokes along the lie, evenly thinned out over the skin. */
function Lie({ plan }: { plan: Plan }) {
  const { skin, lie, lengthMm } = plan.form;
  const g = useFreed(
    useMemo(() => {
      const points: number[] = [];
      const n = skin.positions.length / 3;
      const step = Math.max(1, Math.floor(n / 2600));
      const long = lengthMm * 0.02;
      for (let v = 0; v < n; v += step) {
        for (const end of [0, long]) {
          for (let k = 0; k < 3; k++) {
            points.push(
              skin.positions[3 * v + k]! + 0.003 * lengthMm * skin.normals[3 * v + k]! + end * lie[3 * v + k]!,
            );
          }
        }
      }
      const colours = new Float32Array(points.length);
      // Dark at the root, woad at the tip: the stroke points where the fur points.
      const root = new THREE.Color('#111111');
      const tip = new THREE.Color('#4f8fc4');
      for (let i = 0; i < points.length / 6; i++) {
        root.toArray(colours, 6 * i);
        tip.toArray(colours, 6 * i + 3);
      }
      return new THREE.BufferGeometry()
        .setAttribute('position', new THREE.Float32BufferAttribute(points, 3))
        .setAttribute('color', new THREE.BufferAttribute(colours, 3));
    }, [skin, lie, lengthMm]),
  );
  return (
    <lineSegments geometry={g}>
      <lineBasicMaterial vertexColors />
    </lineSegments>
  );
}
