'use client';
/**
 * What a press or a drag on the animal does: takes the part or the area pressed in hand, or lays a stroke of the brush
 * on an area. A stroke is drawn as it is made and becomes one change when it is let go.
 */
import { useThree, type ThreeEvent } from '@react-three/fiber';
import { useEffect, useMemo, useRef, useState, type ReactNode, type RefObject } from 'react';
import type * as THREE from 'three';
import { makeBody } from '@/core/form/body';
import { addStroke } from '@/core/form/area-edits';
import { addCombStroke } from '@/core/form/comb-edits';
import { rowAt } from '@/core/coat/rows/row-list';
import { placeAt } from '@/core/form/places';
import { lineDrawn, markTouched } from '@/core/shade/shade-edits';
import type { Plan } from '@/core/plan';
import { changePiece, setView, useDesk } from '@/desk/store';
import type { FormRoom, View } from '@/desk/view';
import { HARM_3D, MARK } from './colours';
import { untouched } from './turntable-geometry';

/** What a press or a drag on the animal is for: a room of the Form, or the comb. */
export type Tool = FormRoom | 'comb' | 'shade' | 'needle';

type Point = [number, number, number];

/** Dabs of a stroke no nearer to each other than this share of the brush's reach. */
const STEP = 0.35;
const MOST_DABS = 600;

interface Touch {
  readonly events: {
    readonly onClick: (e: ThreeEvent<MouseEvent>) => void;
    readonly onPointerDown: (e: ThreeEvent<PointerEvent>) => void;
    readonly onPointerMove: (e: ThreeEvent<PointerEvent>) => void;
  };
  /** The stroke under way. */
  readonly trail: ReactNode;
}

export function useTouch(plan: Plan, view: View, tool: Tool | undefined, paintingRef: RefObject<boolean>): Touch {
  const form = useDesk((s) => s.piece?.form);
  const canEdit = useDesk((s) => s.canEdit);
  const body = useMemo(() => (form && tool !== undefined ? makeBody(form) : null), [form, tool]);
  const dabs = useRef<Point[]>([]);
  const [shown, setShown] = useState<Point[]>([]);
  const invalidate = useThree((s) => s.invalidate);
  const reach = (view.brushReach * plan.form.finishedMm) / 1000;

  const dab = (p: THREE.Vector3) => {
    const at: Point = [p.x, p.y, p.z];
    const last = dabs.current[dabs.current.length - 1];
    if (last && Math.hypot(...at.map((x, k) => x - last[k]!)) < STEP * reach) return;
    if (dabs.current.length >= MOST_DABS) return;
    dabs.current.push(at);
    setShown([...dabs.current]);
    invalidate();
  };

  useEffect(() => {
    const end = () => {
      if (!paintingRef.current) return;
      paintingRef.current = false;
      const points = dabs.current;
      dabs.current = [];
      setShown([]);
      const { areaId, brush, brushBoth, brushReach } = useDesk.getState().view;
      if (!body || points.length === 0 || brush === 'off') return;
      if (brush === 'comb') {
        changePiece((piece) => addCombStroke(piece, body, points, brushReach, brushBoth));
        return;
      }
      if (brush === 'mark') {
        const { markingId } = useDesk.getState().view;
        changePiece((piece) =>
          markTouched(
            piece,
            markingId,
            points.map((p) => placeAt(body, p)),
            brushReach,
          ),
        );
        return;
      }
      if (areaId === null) return;
      if (brush === 'line') {
        const { layerId } = useDesk.getState().view;
        changePiece((piece) =>
          lineDrawn(
            piece,
            areaId,
            layerId,
            points.map((p) => placeAt(body, p)),
            brushBoth,
          ),
        );
        return;
      }
      if (brush === 'away') {
        const at = placeAt(body, points[points.length - 1]!);
        changePiece((piece) => ({
          ...piece,
          areas: piece.areas.map((a) => (a.id === areaId ? { ...a, awayFrom: at } : a)),
        }));
        setView({ brush: 'off' });
        return;
      }
      changePiece((piece) =>
        addStroke(piece, areaId, {
          adds: brush === 'paint',
          mirrored: brushBoth,
          reach: brushReach,
          places: points.map((p) => placeAt(body, p)),
        }),
      );
    };
    window.addEventListener('pointerup', end);
    window.addEventListener('pointercancel', end);
    return () => {
      window.removeEventListener('pointerup', end);
      window.removeEventListener('pointercancel', end);
    };
  }, [body, paintingRef]);

  const brush =
    canEdit &&
    ((tool === 'areas' && (view.brush === 'paint' || view.brush === 'erase') && view.areaId !== null) ||
      (tool === 'shade' &&
        ((view.brush === 'mark' && view.markingId !== null) || (view.brush === 'line' && view.layerId !== null))) ||
      (tool === 'comb' && (view.brush === 'comb' || (view.brush === 'away' && view.areaId !== null))));
  return {
    events: {
      onClick: (e) => {
        if (e.delta > 4 || brush) return;
        e.stopPropagation();
        if (tool === 'needle') {
          if (body) setView({ insideAt: placeAt(body, [e.point.x, e.point.y, e.point.z]) });
          return;
        }
        if (tool !== undefined && tool !== 'areas' && tool !== 'comb' && tool !== 'shade') {
          if (body) setView({ partId: placeAt(body, [e.point.x, e.point.y, e.point.z]).part });
          return;
        }
        const hit = e.intersections.find((i) => typeof i.object.userData.areaId === 'string');
        if (!hit || hit.distance >= e.distance + 1) return;
        const areaId = hit.object.userData.areaId as string;
        // In the area in hand, with its rows in sight, a press takes a row.
        const area = plan.coat.areas.find((a) => a.id === areaId);
        const rows = areaId === view.areaId && (view.overlay === 'rows' || view.overlay === 'cover') && area?.fur;
        if (rows) setView({ row: rowAt(area, [e.point.x, e.point.y, e.point.z], rows.rows.meanSpacingMm) });
        else setView({ areaId });
      },
      onPointerDown: (e) => {
        if (!brush || e.button !== 0) return;
        e.stopPropagation();
        paintingRef.current = true;
        dabs.current = [];
        dab(e.point);
      },
      onPointerMove: (e) => {
        if (!paintingRef.current) return;
        e.stopPropagation();
        dab(e.point);
      },
    },
    trail: shown.map((p, i) => (
      <mesh key={i} position={p} raycast={untouched}>
        <sphereGeometry args={[reach, 12, 8]} />
        <meshBasicMaterial
          color={view.brush === 'erase' ? HARM_3D : MARK}
          transparent
          opacity={0.28}
          depthWrite={false}
        />
      </mesh>
    )),
  };
}
