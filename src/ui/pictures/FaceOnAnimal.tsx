'use client';
/** What is finer than skin, or stands with it, on the turntable: eyes, nose, mouth, brows, whiskers, claws, small things. */
import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import { clawSurface } from '@/core/picture/claw-solid';
import { thingSolids } from '@/core/picture/thing-solids';
import { eyeSolids, type Surface } from '@/core/picture/eye-solid';
import type { FacePlan } from '@/core/face/face';
import type { Face } from '@/core/piece/face';
import type { Plan } from '@/core/plan';
import { useDesk } from '@/desk/store';
import { untouched, useFreed } from './turntable-geometry';
import { PLAIN, UNCHOSEN } from './colours';

export function FaceOnAnimal({ plan }: { plan: Plan }) {
  const face = useDesk((s) => s.piece?.face ?? null);
  return plan.face && face ? <Parts plan={plan} of={plan.face} face={face} /> : null;
}

/** Claws as the finished picture has them. */
export function Claws({ plan }: { plan: Plan }) {
  const form = useDesk((s) => s.piece?.form);
  const smallParts = useDesk((s) => s.piece?.smallParts);
  const g = useFreed(
    useMemo(() => {
      const made = form && smallParts ? clawSurface({ form, smallParts }, plan) : null;
      return made && made.triangles.length > 0 ? geometryOf(made) : null;
    }, [form, smallParts, plan]),
  );
  return g ? (
    <mesh geometry={g} raycast={untouched}>
      <meshLambertMaterial vertexColors side={THREE.DoubleSide} />
    </mesh>
  ) : null;
}

/** What it wears, stands on or hangs in, as the finished picture has it. */
export function SmallThings({ plan }: { plan: Plan }) {
  const cupboard = useDesk((s) => s.cupboard);
  const { things, stands } = plan;
  const all = useMemo(
    () => thingSolids({ things, stands }, cupboard).map((t) => ({ id: t.id, geometry: geometryOf(t.surface) })),
    [things, stands, cupboard],
  );
  useEffect(() => () => all.forEach((t) => t.geometry.dispose()), [all]);
  return all.map((t) => (
    <mesh key={t.id} geometry={t.geometry} raycast={untouched}>
      <meshLambertMaterial vertexColors side={THREE.DoubleSide} />
    </mesh>
  ));
}

function Parts({ plan, of, face }: { plan: Plan; of: FacePlan; face: Face }) {
  const smalls = useDesk((s) => s.piece?.smallParts);
  const lots = useDesk((s) => s.cupboard.lots);
  const nose = plan.shade.judged.palette.find((p) => p.id === smalls?.find((s) => s.kind === 'nose')?.id)?.hex;
  const mouth = lots.find((l) => l.id === face.mouth.lotId)?.colour ?? UNCHOSEN.mouth;
  const brow = lots.find((l) => l.id === face.brows?.lotId)?.colour ?? UNCHOSEN.brow;
  return (
    <>
      <Eyes plan={of} face={face} />
      {face.nose.kind !== 'beak' && <Nose of={of} face={face} hex={nose ?? UNCHOSEN.nose} />}
      {of.mouth?.halves.map((h, i) => (
        <Tube key={i} points={h} radius={(of.mouth!.thickMm[0] + of.mouth!.thickMm[2]) / 4} hex={mouth} />
      ))}
      {of.mouth && <Tube points={of.mouth.philtrum} radius={0.2} hex={mouth} />}
      {face.brows &&
        of.brows.map((b) => (
          <Tube key={b.side} points={b.line} radius={(face.brows!.inMm + face.brows!.outMm) / 4} hex={brow} />
        ))}
      {of.whiskers.map((w) => (
        <Hairs key={w.id} whiskers={w.whiskers} hex={w.thread?.colour ?? UNCHOSEN.whiskers} />
      ))}
    </>
  );
}

/** The eyes as the finished picture has them. */
function Eyes({ plan, face }: { plan: FacePlan; face: Face }) {
  const cupboard = useDesk((s) => s.cupboard);
  const surfaces = useMemo(
    () =>
      eyeSolids(plan, face, cupboard).flatMap(({ ball, lids, gloss }) => [
        { geometry: geometryOf(ball), shines: gloss === 1 },
        { geometry: geometryOf(lids), shines: false },
      ]),
    [plan, face, cupboard],
  );
  useEffect(() => () => surfaces.forEach((s) => s.geometry.dispose()), [surfaces]);
  return (
    <>
      {surfaces.map((s, i) => (
        <mesh key={i} geometry={s.geometry} raycast={untouched} renderOrder={1}>
          {s.shines ? (
            <meshPhongMaterial vertexColors shininess={180} specular={PLAIN} {...BEFORE_SKIN} />
          ) : (
            <meshLambertMaterial vertexColors side={THREE.DoubleSide} {...BEFORE_SKIN} />
          )}
        </mesh>
      ))}
    </>
  );
}

/** Set into skin that is drawn more coarsely than they are. */
const BEFORE_SKIN = { polygonOffset: true, polygonOffsetFactor: -2, polygonOffsetUnits: -40 } as const;

function geometryOf(s: Surface): THREE.BufferGeometry {
  const g = new THREE.BufferGeometry();
  g.setAttribute('position', new THREE.Float32BufferAttribute(s.positions, 3));
  g.setAttribute('normal', new THREE.Float32BufferAttribute(s.normals, 3));
  g.setAttribute('color', new THREE.Float32BufferAttribute(s.colour, 3));
  g.setIndex([...s.triangles]);
  return g;
}

function Nose({ of, face, hex }: { of: FacePlan; face: Face; hex: string }) {
  const { tip, up } = of.nose;
  const matrix = useMemo(() => {
    const x = new THREE.Vector3(...of.frame.x);
    const y = new THREE.Vector3(...up);
    const z = new THREE.Vector3().crossVectors(x, y);
    const { widthMm, highMm } = face.nose;
    return new THREE.Matrix4()
      .makeBasis(x, y, z)
      .setPosition(...tip)
      .scale(new THREE.Vector3(widthMm / 2, highMm / 2, highMm / 3));
  }, [of, face.nose, tip, up]);
  return (
    <mesh matrix={matrix} matrixAutoUpdate={false} raycast={untouched}>
      <sphereGeometry args={[1, 24, 16]} />
      <meshLambertMaterial color={hex} />
    </mesh>
  );
}

function Tube({
  points,
  radius,
  hex,
}: {
  points: readonly (readonly [number, number, number])[];
  radius: number;
  hex: string;
}) {
  const g = useFreed(
    useMemo(
      () =>
        points.length < 2
          ? null
          : new THREE.TubeGeometry(
              new THREE.CatmullRomCurve3(points.map((p) => new THREE.Vector3(...p))),
              Math.max(4, points.length),
              Math.max(0.12, radius),
              6,
            ),
      [points, radius],
    ),
  );
  if (!g) return null;
  return (
    <mesh geometry={g} raycast={untouched}>
      <meshLambertMaterial color={hex} />
    </mesh>
  );
}

function Hairs({ whiskers, hex }: { whiskers: FacePlan['whiskers'][number]['whiskers']; hex: string }) {
  const g = useFreed(
    useMemo(() => {
      const points = whiskers.flatMap((w) => [...w.root, ...w.tip]);
      return new THREE.BufferGeometry().setAttribute('position', new THREE.Float32BufferAttribute(points, 3));
    }, [whiskers]),
  );
  return (
    <lineSegments geometry={g} raycast={untouched}>
      <lineBasicMaterial color={hex} />
    </lineSegments>
  );
}
