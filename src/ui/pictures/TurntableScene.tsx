'use client';
/** What stands on the turntable, drawn with three.js: skin, areas, rows, lie, cover, fur. Redrawn only when asked. */
import { useThree } from '@react-three/fiber';
import { useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import * as THREE from 'three';
import type { Plan } from '@/core/plan';
import { furStrands } from '@/desk/planner';
import { useDesk } from '@/desk/store';
import type { View } from '@/desk/view';
import type { StandingFur } from '@/worker/plan.worker';
import { AreaOnAnimal } from './AreaOnAnimal';
import { wholeOf } from '@/core/picture/whole';
import { eye } from './camera';
import { Claws, FaceOnAnimal, SmallThings } from './FaceOnAnimal';
import { Inside } from './InsideOfAnimal';
import { lookedAt } from './framing';
import { LastingCanvas } from './LastingCanvas';
import { Awaited, Settled } from './Settled';
import { hatched, UNDECIDED } from './hatch';
import { canBePictured } from './snapshot';
import { useTouch, type Tool } from './useTouch';
import { BARE, CARE_3D, INK_3D, LAMP, LIE, MARK, PLAIN } from './colours';
import { surface, untouched, useFreed } from './turntable-geometry';

/** A place marked on the animal. */
export interface Dot {
  readonly at: readonly [number, number, number];
  readonly colour: string;
  readonly radiusMm: number;
}

interface SceneProps {
  readonly plan: Plan;
  readonly view: View;
  readonly perMm: number;
  readonly litRow: number | null;
  readonly software: boolean;
  /** Few strands, one point of the screen each. */
  readonly few: boolean;
  /** The room that is open, where it says what a press or a drag on the animal does. */
  readonly tool: Tool | undefined;
  readonly dots: readonly Dot[];
  /** Set while a stroke of the brush is under way, so that the animal is not turned by it. */
  readonly paintingRef: RefObject<boolean>;
}

// The renderer's own timer still uses a clock that three.js has announced to replace; nothing here depends on it.
THREE.setConsoleFunction((level, message, ...rest: unknown[]) => {
  if (String(message).startsWith('THREE.Clock')) return;
  // A card that has let go already need not be told to let go.
  if (String(message).includes('WEBGL_lose_context')) return;
  console[level as 'log' | 'warn' | 'error'](message, ...rest);
});

/** How many strands of fur are drawn. */
const STRANDS = { plain: 2_500, software: 26_000, card: 110_000 } as const;

export function TurntableScene(p: SceneProps) {
  const { yaw, pitch, pan } = p.view;
  const middle = useMemo(() => wholeOf(p.plan).middle, [p.plan]);
  const at = useMemo(() => lookedAt(middle, { yaw, pitch, pan }), [middle, yaw, pitch, pan]);
  return (
    <LastingCanvas coarse={p.software || p.few} onCreated={({ gl }) => void (gl.localClippingEnabled = true)}>
      <Rig view={p.view} perMm={p.perMm} plan={p.plan} at={at} />
      <Animal {...p} />
      <Pictured />
    </LastingCanvas>
  );
}

/** Lets what is drawn be kept as a picture. */
function Pictured() {
  const { gl, scene, camera } = useThree();
  useEffect(
    () =>
      canBePictured(() => {
        gl.render(scene, camera);
        return gl.domElement.toDataURL('image/png');
      }),
    [gl, scene, camera],
  );
  return null;
}

/** Puts the camera where the view says and the light over its shoulder. */
export function Rig({
  view,
  perMm,
  plan,
  at,
}: {
  view: Pick<View, 'yaw' | 'pitch'>;
  perMm: number;
  plan: Plan;
  /** What it looks at; the middle of the animal without. */
  at?: readonly [number, number, number];
}) {
  const { invalidate, scene, get } = useThree();
  const light = useMemo(() => new THREE.DirectionalLight(LAMP, 1.9), []);
  const centre = useMemo(() => {
    return new THREE.Vector3(...(at ?? wholeOf(plan).middle));
  }, [plan, at]);
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

function Animal({ plan, view, litRow, software, few, tool, dots, paintingRef }: SceneProps) {
  const [awaited] = useState(() => new Awaited());
  const draft = useDesk((s) => s.draft);
  const skin = draft ?? plan.form.skin;
  const touch = useTouch(plan, view, tool, paintingRef);
  const furred = view.overlay === 'fur' && view.inside === 'finished' && !draft;
  const fur = useStandingFur(
    plan,
    few ? STRANDS.plain : software ? STRANDS.software : STRANDS.card,
    view.trimStep,
    awaited,
    furred,
  );
  const undecided = plan.coat.undecided.mm2 > 0;
  // Fur stands deeper than the finished animal is drawn.
  const g = useSkin(skin, furred ? fur : null);
  const invalidate = useThree((s) => s.invalidate);
  useEffect(() => invalidate());
  return (
    <group {...touch.events}>
      {view.inside !== 'finished' && !draft && <Inside plan={plan} view={view} />}
      <mesh geometry={g} visible={view.inside === 'finished' || draft !== null}>
        <SkinMaterial g={g} undecided={undecided} />
      </mesh>
      {touch.trail}
      {dots.map((d, i) => (
        <mesh key={i} position={[...d.at]} raycast={untouched} renderOrder={9}>
          <sphereGeometry args={[d.radiusMm, 16, 10]} />
          <meshBasicMaterial color={d.colour} depthTest={false} transparent opacity={0.85} />
        </mesh>
      ))}
      {plan.coat.areas.map(
        (a, i) =>
          a.surface &&
          !draft &&
          view.inside === 'finished' && (
            <AreaOnAnimal
              key={a.id}
              area={a}
              shaded={plan.shade.areas.find((x) => x.id === a.id)}
              surfaceOf={a.surface}
              standsOn={furred ? standsOn(fur, a.id) : null}
              view={view}
              tint={view.overlay === 'areas' ? i : null}
              selected={a.id === view.areaId}
              litRow={a.id === view.areaId ? litRow : null}
              raise={plan.form.lengthMm * 0.0016}
            />
          ),
      )}
      {!draft && view.inside === 'finished' && <FaceOnAnimal plan={plan} />}
      {!draft && view.inside === 'finished' && <Claws plan={plan} />}
      {!draft && view.inside === 'finished' && <SmallThings plan={plan} />}
      {furred && fur && <Fur fur={fur} />}
      {view.overlay === 'lie' && view.inside === 'finished' && !draft && (
        <>
          <Lie plan={plan} />
          <LieMarks plan={plan} />
        </>
      )}
      <Settled awaited={awaited} />
    </group>
  );
}

/** How many of the strands are drawn while the animal turns. */
const TURNING = 0.35;
/** How long after the last turn all of them are drawn again, ms. */
const REST_MS = 220;

/** Strands from the worker and what they stand on; null until they have come. */
export function useStandingFur(
  plan: Plan,
  most: number,
  trimStep: number | null,
  awaited: Awaited,
  wanted: boolean,
): StandingFur | null {
  const [fur, setFur] = useState<StandingFur | null>(null);
  const arrived = useRef<() => void>(() => undefined);
  useEffect(() => {
    if (!wanted) return;
    let gone = false;
    const end = awaited.begin();
    furStrands(most, trimStep).then((s) => {
      if (gone) return;
      if (!s) return end();
      arrived.current = end;
      setFur(s);
    }, end);
    return () => {
      gone = true;
      end();
    };
    // The worker draws its last plan: only what strands are made of matters.
  }, [plan.coat, plan.shade, plan.core.depth, plan.face, most, trimStep, awaited, wanted]);
  useEffect(() => arrived.current(), [fur]);
  return fur;
}

/** The surface of an area that its fur stands on. */
export const standsOn = (fur: StandingFur | null, id: string): Float64Array | null =>
  fur?.areas.find((a) => a.id === id)?.at ?? null;

/** The skin as it is finished, or, under fur of the same skin, as that stands on it. */
export function useSkin(
  skin: Pick<Plan['form']['skin'], 'positions' | 'normals' | 'triangles'>,
  fur: StandingFur | null,
): THREE.BufferGeometry {
  const own = fur && fur.skin.length === skin.positions.length ? fur : null;
  return useFreed(
    useMemo(() => {
      const g = surface(own?.skin ?? skin.positions, skin.normals, skin.triangles);
      if (own) g.setAttribute('color', new THREE.BufferAttribute(own.bare, 3));
      return g;
    }, [own, skin]),
  );
}

/** The material of the skin: what has no fur in the colour it is felted in, where that is known, else as a bare core. */
export function SkinMaterial({ g, undecided = false }: { g: THREE.BufferGeometry; undecided?: boolean }) {
  const coloured = g.hasAttribute('color');
  return (
    <meshLambertMaterial
      key={`${undecided} ${coloured}`}
      color={coloured ? PLAIN : BARE}
      vertexColors={coloured}
      polygonOffset
      polygonOffsetFactor={2}
      polygonOffsetUnits={2}
      {...(undecided ? hatched(UNDECIDED) : {})}
    />
  );
}

export function Fur({ fur }: { fur: StandingFur }) {
  const g = useFreed(
    useMemo(() => {
      const b = new THREE.BufferGeometry();
      b.setAttribute('position', new THREE.BufferAttribute(fur.points, 3));
      b.setAttribute('color', new THREE.BufferAttribute(fur.colours, 3));
      return b;
    }, [fur]),
  );
  const invalidate = useThree((s) => s.invalidate);
  useEffect(() => invalidate(), [g, invalidate]);
  // Strands are dealt out evenly: any first part of them is the whole coat, thinner. While it turns that is enough.
  const yaw = useDesk((s) => s.view.yaw);
  const pitch = useDesk((s) => s.view.pitch);
  useEffect(() => {
    const all = fur.count * fur.segments * 2;
    if (fur.count < 40_000) {
      g.setDrawRange(0, all);
      return;
    }
    g.setDrawRange(0, Math.floor(fur.count * TURNING) * fur.segments * 2);
    invalidate();
    const rest = setTimeout(() => {
      g.setDrawRange(0, all);
      invalidate();
    }, REST_MS);
    return () => clearTimeout(rest);
  }, [yaw, pitch, g, fur, invalidate]);
  return (
    <lineSegments geometry={g} raycast={untouched}>
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
      const root = new THREE.Color(LIE.root);
      const tip = new THREE.Color(LIE.tip);
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
    <lineSegments geometry={g} raycast={untouched}>
      <lineBasicMaterial vertexColors />
    </lineSegments>
  );
}

/**
 * Special places of the lie: a ball where the fur grows out, a block where it runs together, a ring where it turns; and
 * dark where an eye is that fur points away from.
 */
function LieMarks({ plan }: { plan: Plan }) {
  const r = plan.form.lengthMm * 0.009;
  return (
    <>
      {plan.coat.areas.flatMap((a) =>
        a.away.map((at, i) => (
          <mesh key={`${a.id}-${i}`} position={[at[0], at[1], at[2]]} raycast={untouched}>
            <sphereGeometry args={[r, 16, 12]} />
            <meshBasicMaterial color={INK_3D} />
          </mesh>
        )),
      )}
      {plan.coat.lieMarks.map((m, i) => (
        <mesh key={i} position={[m.at[0], m.at[1], m.at[2]]} raycast={untouched} renderOrder={3}>
          {m.kind === 'crown' && <sphereGeometry args={[r, 16, 12]} />}
          {m.kind === 'meeting' && <boxGeometry args={[1.6 * r, 1.6 * r, 1.6 * r]} />}
          {m.kind === 'whirl' && <torusGeometry args={[r, r / 3, 8, 20]} />}
          {m.kind === 'saddle' && <octahedronGeometry args={[r]} />}
          {m.kind === 'parting' && <cylinderGeometry args={[r / 3, r / 3, 3 * r, 10]} />}
          <meshBasicMaterial color={m.kind === 'saddle' || m.kind === 'parting' ? CARE_3D : MARK} />
        </mesh>
      ))}
    </>
  );
}
