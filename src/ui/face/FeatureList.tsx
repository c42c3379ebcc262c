'use client';
/** The features of the face as tickets, with what is decided of each, and what can be added. */
import { isAbout } from '@/core/ref';
import Box from '@mui/material/Box';
import { beginBrows, beginWhiskers } from '@/core/face/head/begin-face';
import { EYE_SPECS } from '@/core/face/eyes/eye-kinds';
import type { WhiskerSet } from '@/core/piece/face';
import { changePiece, setView, useDesk } from '@/desk/store';
import type { FaceFeature } from '@/desk/view';
import { OpenMark } from '@/ui/parts/OpenMark';
import { useFindings } from '@/ui/parts/useFindings';
import { Ticket } from '@/ui/parts/Ticket';
import { useUnits } from '@/ui/parts/useUnits';
import { freeId } from '@/core/shade/judging/layer-findings';
import { useFace } from './face-store';
import { PhotoList } from './PhotoList';
import { EditButton } from '@/ui/parts/Editable';

export function FeatureList() {
  const f = useFace();
  const selected = useDesk((s) => s.view.feature);
  const whiskersId = useDesk((s) => s.view.whiskersId);
  const findings = useFindings();
  const { q } = useUnits();
  if (!f) return null;
  const { face, plan } = f;
  const mm = (value: number) => q({ kind: 'fine', value });
  const rows: { feature: FaceFeature; name: string; words: string }[] = [
    {
      feature: 'nose',
      name: face.nose.kind === 'beak' ? 'Beak' : 'Nose',
      words: `${face.nose.kind}, ${mm(face.nose.widthMm)}`,
    },
    {
      feature: 'mouth',
      name: 'Mouth',
      words: face.mouth.kind === 'none' ? 'none' : `${face.mouth.kind}, ${mm(face.mouth.sideMm)} each side`,
    },
    {
      feature: 'eyes',
      name: plan?.oneSided ? 'Eye' : 'Eyes',
      words: `${EYE_SPECS[face.eyes.kind].title.toLowerCase()}, ${mm(face.eyes.sizeMm)}${plan?.eyes.style ? `, ${plan.eyes.style}` : ''}`,
    },
    {
      feature: 'ears',
      name: 'Ears',
      words: plan?.ears ? `${face.ears.when}, seat ${mm(plan.ears.acrossMm)}` : 'no ear is drawn',
    },
    ...(face.brows ? [{ feature: 'brows' as const, name: 'Brows', words: mm(face.brows.lengthMm) }] : []),
  ];
  const add = (kind: WhiskerSet['kind']) => {
    let id = '';
    changePiece((p) => {
      if (!p.face) return p;
      id = freeId(p.face.whiskers, kind === 'whiskers' ? 'whiskers' : 'brow-whiskers');
      return { ...p, face: { ...p.face, whiskers: [...p.face.whiskers, beginWhiskers(p, p.face, kind, id)] } };
    });
    setView({ feature: 'whiskers', whiskersId: id });
  };
  return (
    <Box>
      <Box component="ul" aria-label="Features" sx={{ listStyle: 'none', m: 0, py: 1, px: 0 }}>
        {rows.map((r) => (
          <li key={r.feature}>
            <Ticket on={selected === r.feature} onClick={() => setView({ feature: r.feature })} columns="1fr">
              <span>
                <b>{r.name}</b>
                <OpenMark findings={findings.filter((x) => x.stage === 'face' && isAbout(x, 'feature', r.feature))} />
                <Box component="span" sx={{ display: 'block', fontSize: 13, color: 'text.secondary' }}>
                  {r.words}
                </Box>
              </span>
            </Ticket>
          </li>
        ))}
        {face.whiskers.map((w, i) => (
          <li key={w.id}>
            <Ticket
              on={
                selected === 'whiskers' &&
                (whiskersId === w.id || (i === 0 && !face.whiskers.some((x) => x.id === whiskersId)))
              }
              onClick={() => setView({ feature: 'whiskers', whiskersId: w.id })}
              columns="1fr"
            >
              <span>
                <b>{w.name}</b>
                <OpenMark findings={findings.filter((x) => x.stage === 'face' && isAbout(x, 'whiskers', w.id))} />
                <Box component="span" sx={{ display: 'block', fontSize: 13, color: 'text.secondary' }}>
                  {w.perSide} a side, to {mm(w.longestMm)}
                </Box>
              </span>
            </Ticket>
          </li>
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 0.75, px: 1.5, pb: 1, flexWrap: 'wrap' }}>
        {!face.brows && (
          <EditButton
            onClick={() => {
              changePiece((p) => (p.face ? { ...p, face: { ...p.face, brows: beginBrows(p.face) } } : p));
              setView({ feature: 'brows' });
            }}
          >
            Add brows
          </EditButton>
        )}
        <EditButton disabled={face.whiskers.length >= 8} onClick={() => add('whiskers')}>
          Add whiskers
        </EditButton>
        <EditButton disabled={face.whiskers.length >= 8} onClick={() => add('brow whiskers')}>
          Add brow whiskers
        </EditButton>
      </Box>
      <PhotoList of="animal" />
    </Box>
  );
}
