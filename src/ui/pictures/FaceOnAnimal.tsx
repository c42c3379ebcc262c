'use client';
/** The face on the turntable: eyes with their layers on the dome, nose, mouth, brows, whiskers. */
import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import { eyeColours, eyeShapes } from '@/core/face/drawing/eye-drawing';
import { domeOf, rings } from '@/core/picture/face-solids';
import { onEye } from '@/core/face/drawing/face-drawing';
import type { FacePlan } from '@/core/face/face';
import type { EyePlace } from '@/core/face/eyes/eye-place';
import type { Face } from '@/core/piece/face';
import type { Plan } from '@/core/plan';
import { useDesk } from '@/desk/store';
import { untouched, useFreed } from './turntable-geometry';
import { UNCHOSEN } from './colours';

type Pt = readonly [number, number];

export function FaceOnAnimal({ plan }: { plan: Plan }) {
  const face = useDesk((s) => s.piece?.face ?? null);
  return plan.face && face ? <Parts plan={plan} of={plan.face} face={face} /> : null;
}

function Parts({ plan, of, face }: { plan: Plan; of: FacePlan; face: Face }) {
  const smalls = useDesk((s) => s.piece?.smallParts);
  const lots = useDesk((s) => s.cupboard.lots);
  const nose = plan.shade.judged.palette.find((p) => p.id === smalls?.find((s) => s.kind === 'nose')?.id)?.hex;
  const mouth = lots.find((l) => l.id === face.mouth.lotId)?.colour ?? UNCHOSEN.mouth;
  const brow = lots.find((l) => l.id === face.brows?.lotId)?.colour ?? UNCHOSEN.brow;
  return (
    <>
      {of.eyes.places.map((e, i) => (
        <Eye key={e.side} place={e} index={i} plan={of} face={face} />
      ))}
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

/** The layers of an eye laid over its dome, one a little above the other. */
function Eye({ place, index, plan, face }: { place: EyePlace; index: number; plan: FacePlan; face: Face }) {
  const cupboard = useDesk((s) => s.cupboard);
  const layers = useMemo(() => {
    const { eyes } = plan;
    const high = domeOf(plan, face);
    const shapes = eyeShapes(
      face.eyes,
      eyes.ladder,
      eyes.ladder.eyes[index]!,
      eyes.discMm,
      eyeColours(face.eyes, cupboard, eyes.around?.hex ?? UNCHOSEN.roundEye),
    );
    return shapes.map((s, k) => {
      const lift = 0.03 * eyes.discMm * (0.15 + 0.25 * k);
      return {
        hex: s.hex,
        name: s.name,
        geometry: draped(s.ring, (p) => onEye(place, Math.max(0.05, high(Math.hypot(...p))) + lift, p)),
      };
    });
  }, [plan, face, index, place, cupboard]);
  useEffect(() => () => layers.forEach((l) => l.geometry.dispose()), [layers]);
  return (
    <>
      {layers.map((l, i) => (
        <mesh key={i} geometry={l.geometry} raycast={untouched} renderOrder={1}>
          {l.name.includes('light') || l.name === 'pupil' ? (
            <meshBasicMaterial color={l.hex} side={THREE.DoubleSide} />
          ) : (
            <meshLambertMaterial color={l.hex} side={THREE.DoubleSide} />
          )}
        </mesh>
      ))}
    </>
  );
}

/** A filled outline, each point put where `on` says: follows a dome. */
function draped(ring: readonly Pt[], on: (p: Pt) => readonly [number, number, number]): THREE.BufferGeometry {
  const { places, triangles } = rings(ring);
  const g = new THREE.BufferGeometry();
  g.setAttribute('position', new THREE.Float32BufferAttribute(places.flatMap(on), 3));
  g.setIndex([...triangles]);
  g.computeVertexNormals();
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
