'use client';
/** The features of the face as tickets, with what is decided of each, and what can be added. */
import { isAbout } from '@/core/ref';
import Box from '@mui/material/Box';
import { beginBrows, beginWhiskers } from '@/core/face/head/begin-face';
import { EYE_SPECS } from '@/core/face/eyes/eye-kinds';
import type { WhiskerSet } from '@/core/piece/face';
import { changePiece, setView, useDesk } from '@/desk/store';
import type { FaceFeature } from '@/desk/view';
import { useFindings } from '@/ui/parts/useFindings';
import { Ticket, Tickets, UnderTickets } from '@/ui/parts/Ticket';
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
  const rows: { id: FaceFeature; name: string; words: string }[] = [
    {
      id: 'nose',
      name: face.nose.kind === 'beak' ? 'Beak' : 'Nose',
      words: `${face.nose.kind}, ${mm(face.nose.widthMm)}`,
    },
    {
      id: 'mouth',
      name: 'Mouth',
      words: face.mouth.kind === 'none' ? 'none' : `${face.mouth.kind}, ${mm(face.mouth.sideMm)} each side`,
    },
    {
      id: 'eyes',
      name: plan?.oneSided ? 'Eye' : 'Eyes',
      words: `${EYE_SPECS[face.eyes.kind].title.toLowerCase()}, ${mm(face.eyes.sizeMm)}${plan?.eyes.style ? `, ${plan.eyes.style}` : ''}`,
    },
    {
      id: 'ears',
      name: 'Ears',
      words: plan?.ears ? `${face.ears.when}, seat ${mm(plan.ears.acrossMm)}` : 'no ear is drawn',
    },
    ...(face.brows ? [{ id: 'brows' as const, name: 'Brows', words: mm(face.brows.lengthMm) }] : []),
  ];
  const about = (kind: 'feature' | 'whiskers', id: string) =>
    findings.filter((x) => x.stage === 'face' && isAbout(x, kind, id));
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
      <Tickets label="Features" of={[...rows, ...face.whiskers]}>
        {(r) =>
          'perSide' in r ? (
            <Ticket
              on={selected === 'whiskers' && (face.whiskers.find((x) => x.id === whiskersId) ?? face.whiskers[0]) === r}
              onClick={() => setView({ feature: 'whiskers', whiskersId: r.id })}
              name={r.name}
              findings={about('whiskers', r.id)}
              words={`${r.perSide} a side, to ${mm(r.longestMm)}`}
            />
          ) : (
            <Ticket
              on={selected === r.id}
              onClick={() => setView({ feature: r.id })}
              name={r.name}
              findings={about('feature', r.id)}
              words={r.words}
            />
          )
        }
      </Tickets>
      <UnderTickets>
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
      </UnderTickets>
      <PhotoList of="animal" />
    </Box>
  );
}
