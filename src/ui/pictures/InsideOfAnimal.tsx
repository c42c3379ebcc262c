'use client';
/** The inside: the core by itself, or skin and core both cut open along the middle (thin skin round a turned one), with the wire in them. */
import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import { LineMaterial } from 'three/examples/jsm/lines/LineMaterial.js';
import { LineSegments2 } from 'three/examples/jsm/lines/LineSegments2.js';
import { LineSegmentsGeometry } from 'three/examples/jsm/lines/LineSegmentsGeometry.js';
import { poseIsSymmetric } from '@/core/form/pose';
import type { Plan } from '@/core/plan';
import { useDesk } from '@/desk/store';
import type { View } from '@/desk/view';
import { eye } from './camera';
import { surface, untouched, useFreed } from './turntable-geometry';
import { INSIDE } from './colours';

const { core: CORE, coreCut: CORE_CUT, skin: SKIN, skinCut: SKIN_CUT, wire: WIRE } = INSIDE;

export function Inside({ plan, view }: { plan: Plan; view: View }) {
  const { core, frame, form } = plan;
  const coreSurface = useFreed(
    useMemo(
      () => (core.skin ? surface(core.skin.positions, core.skin.normals, core.skin.triangles) : null),
      [core.skin],
    ),
  );
  const skin = useFreed(
    useMemo(() => surface(form.skin.positions, form.skin.normals, form.skin.triangles), [form.skin]),
  );
  // A turned animal has no midline to cut along: its skin is drawn thin instead.
  const even = useDesk((s) => !s.piece || poseIsSymmetric(s.piece.form.parts, s.piece.form.pose));
  const cut = view.inside === 'cut' && even;
  const thin = view.inside === 'cut' && !even;
  const { from } = eye(view);
  // The half towards the eye is taken away: across the midline where it is seen from a side, else across its length.
  const planes = useMemo(() => {
    if (!cut) return [];
    const side = Math.abs(from[0]) >= 0.35;
    const normal = side
      ? new THREE.Vector3(-Math.sign(from[0]), 0, 0)
      : Math.abs(from[1]) > Math.abs(from[2])
        ? new THREE.Vector3(0, -Math.sign(from[1]), 0)
        : new THREE.Vector3(0, 0, -Math.sign(from[2]));
    const middle = new THREE.Box3()
      .setFromArray(form.skin.positions as unknown as number[])
      .getCenter(new THREE.Vector3());
    return [new THREE.Plane().setFromNormalAndCoplanarPoint(normal, side ? new THREE.Vector3(1e-3, 0, 0) : middle)];
  }, [cut, from, form.skin]);
  const wires = useMemo(() => {
    const points: number[] = [];
    for (const r of frame.runs) {
      for (const path of r.paths) for (let i = 1; i < path.length; i++) points.push(...path[i - 1]!, ...path[i]!);
    }
    if (points.length === 0) return null;
    const g = new LineSegmentsGeometry();
    g.setPositions(points);
    const line = new LineSegments2(g, new LineMaterial({ color: WIRE, linewidth: 3, depthTest: false }));
    line.renderOrder = 8;
    return line;
  }, [frame.runs]);
  useEffect(
    () => () => {
      wires?.geometry.dispose();
      wires?.material.dispose();
    },
    [wires],
  );
  return (
    <group>
      {coreSurface && (
        <>
          <mesh geometry={coreSurface}>
            <meshLambertMaterial color={CORE} clippingPlanes={planes} />
          </mesh>
          {cut && (
            <mesh geometry={coreSurface} raycast={untouched}>
              <meshBasicMaterial color={CORE_CUT} side={THREE.BackSide} clippingPlanes={planes} />
            </mesh>
          )}
        </>
      )}
      {thin && (
        <mesh geometry={skin} renderOrder={3}>
          <meshLambertMaterial color={SKIN} transparent opacity={0.38} depthWrite={false} />
        </mesh>
      )}
      {cut && (
        <>
          <mesh geometry={skin}>
            <meshLambertMaterial color={SKIN} clippingPlanes={planes} />
          </mesh>
          <mesh geometry={skin} raycast={untouched}>
            <meshBasicMaterial color={SKIN_CUT} side={THREE.BackSide} clippingPlanes={planes} />
          </mesh>
        </>
      )}
      {wires && <primitive object={wires} />}
    </group>
  );
}
