'use client';
/** Judge: contrast of neighbours, the palette under three daylights, small parts, linings; what vanishes and what helps. */
import type { FindingCode } from '@/core/finding-codes';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { smallPartSchema, type SmallPart } from '@/core/piece/shade';
import { neighboursApart } from '@/core/shade/judging/pair-words';
import { DAYLIGHTS } from '@/core/shade/judging/daylight';
import { freeId } from '@/core/shade/judging/layer-findings';
import { changePiece, editPiece, useDesk } from '@/desk/store';
import { Patch } from '@/ui/parts/Patch';
import { EditButton } from '@/ui/parts/Editable';
import { Fields } from '@/ui/parts/Fields';
import { FindingList } from '@/ui/parts/FindingList';
import { useFindings } from '@/ui/parts/useFindings';
import { SmallTable } from '@/ui/parts/SmallTable';
import { RecipeField } from './RecipeField';
import { firstLot } from './shade-store';
import { Sentence } from '@/ui/parts/Figures';
import { Ruled } from '@/ui/parts/Panel';

const JUDGED: ReadonlySet<FindingCode> = new Set<FindingCode>([
  'shade-vanishes',
  'shade-clash',
  'shade-lining',
  'shade-small-missing',
  'shade-faint',
  'shade-black',
]);

export function JudgeRoom() {
  const plan = useDesk((s) => s.plan);
  const findings = useFindings();
  const judged = plan?.shade.judged;
  if (!plan || !judged) return <Typography>The judgement appears when the colours have been worked out.</Typography>;
  const lost = judged.pairs.filter((p) => p.verdict === 'vanishes' || p.verdict === 'vanishes at dusk');
  const about = findings.filter((f) => JUDGED.has(f.code));
  return (
    <>
      <Sentence>
        {judged.pairs.length === 0
          ? 'There are no neighbours to compare yet.'
          : lost.length === 0
            ? neighboursApart(judged.pairs)
            : `${lost.length} of ${judged.pairs.length} pairs run into each other at arm’s length.`}
      </Sentence>
      <FindingList findings={about} />
      <Typography variant="h3">Neighbours, nearest first</Typography>
      <SmallTable
        label="Contrast of neighbours"
        head={['Pair', 'day', 'dusk', '']}
        rows={judged.pairs.map((p) => [
          <Box
            key="p"
            sx={{ display: 'flex', gap: 0.75, alignItems: 'center', fontFamily: 'fontFamily', wordSpacing: 'normal' }}
          >
            <Box sx={{ display: 'flex' }}>
              <Box sx={{ width: 16, height: 18, bgcolor: p.a.hex }} />
              <Box sx={{ width: 16, height: 18, bgcolor: p.b.hex }} />
            </Box>
            <span>
              {p.a.name}, {p.b.name.toLowerCase()}
              {p.rim ? (
                <Box component="span" sx={{ display: 'block', color: 'text.secondary' }}>
                  rim of {p.rim.name.toLowerCase()}
                </Box>
              ) : null}
            </span>
          </Box>,
          p.contrast.toFixed(0),
          p.dusk.toFixed(0),
          <Box key="v" component="span" sx={{ whiteSpace: 'nowrap' }}>
            {VERDICT[p.verdict]}
          </Box>,
        ])}
      />
      <Typography variant="h3" sx={{ mt: 1.5 }}>
        Small parts
      </Typography>
      <SmallParts />
      {judged.agreements.length > 0 && (
        <SmallTable
          label="Small parts together"
          head={['Pair', 'difference', '']}
          rows={judged.agreements.map((a) => [
            `${a.aName}, ${a.bName.toLowerCase()}`,
            a.contrast.toFixed(0),
            a.agrees ? '✓ agree' : '! clash',
          ])}
        />
      )}
      {judged.linings.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: 1.5 }}>
            Linings
          </Typography>
          <SmallTable
            label="Linings"
            head={['Part', 'outside comes out']}
            rows={judged.linings.map((l) => [
              <Box key="l" sx={{ display: 'flex', gap: 0.5 }}>
                <Patch hex={l.faceHex} wide={16} high={16} />
                <Patch hex={l.liningHex} wide={16} high={16} />
                <Patch hex={l.seenHex} wide={16} high={16} />
                {l.name}
              </Box>,
              l.words,
            ])}
          />
        </>
      )}
    </>
  );
}

function SmallParts() {
  const piece = useDesk((s) => s.piece)!;
  const noWool = useDesk((s) => s.cupboard.lots.length === 0);
  const set = (id: string, recipe: (s: SmallPart) => void) =>
    editPiece((d) => {
      const s = d.smallParts.find((x) => x.id === id);
      if (s) recipe(s as SmallPart);
    });
  return (
    <Box>
      {piece.smallParts.map((s) => (
        <Ruled key={s.id} aria-label={s.name}>
          <Fields
            schema={smallPartSchema}
            value={s}
            keys={['name', 'kind', 'on']}
            onChange={(change) => set(s.id, (x) => void Object.assign(x, change))}
          />
          <RecipeField
            label={`Colour of ${s.name}`}
            recipe={s.recipe}
            even={s.even}
            onChange={(recipe, even) =>
              set(s.id, (x) => {
                x.recipe = [...recipe];
                x.even = even;
              })
            }
          />
          <EditButton onClick={() => editPiece((d) => void (d.smallParts = d.smallParts.filter((x) => x.id !== s.id)))}>
            Take {s.name} away
          </EditButton>
        </Ruled>
      ))}
      <EditButton
        disabled={noWool || piece.smallParts.length >= 20}
        sx={{ mt: 0.5 }}
        onClick={() => {
          const lot = firstLot();
          if (!lot) return;
          changePiece((p) => {
            const kind =
              (['nose', 'pads', 'eye'] as const).find((k) => !p.smallParts.some((s) => s.kind === k)) ?? 'other';
            const head =
              p.form.parts.find((x) => x.role === 'muzzle' || x.role === 'beak' || x.role === 'head') ??
              p.form.parts[0]!;
            return {
              ...p,
              smallParts: [
                ...p.smallParts,
                {
                  id: freeId(p.smallParts, kind),
                  name: kind === 'other' ? 'Small part' : `${kind[0]!.toUpperCase()}${kind.slice(1)}`,
                  kind,
                  on: head.id,
                  recipe: [{ lotId: lot.id, parts: 1 }],
                  even: 1,
                },
              ],
            };
          });
        }}
      >
        Add a small part
      </EditButton>
    </Box>
  );
}

/** Each colour takes an even share of the width. */
const SQUARE = { flex: '1 1 0', minWidth: 50 } as const;
const VERDICT = {
  'stands apart': '✓ apart',
  'same colour': '= same',
  vanishes: '! lost',
  'vanishes at dusk': '! dusk',
} as const;

/** The colours of the piece side by side under three daylights. */
export function PaletteStrip() {
  const palette = useDesk((s) => s.plan?.shade.judged.palette) ?? [];
  if (palette.length === 0) return null;
  return (
    <Box
      sx={{ height: '100%', display: 'flex', flexDirection: 'column', gap: 0.5, overflow: 'auto' }}
      tabIndex={0}
      role="group"
      aria-label="Palette of the piece"
    >
      {DAYLIGHTS.map((d, i) => (
        <Box key={d.id} sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
          <Box sx={{ width: 96, fontSize: 13, flexShrink: 0 }}>{d.name}</Box>
          {palette.map((p) => (
            <Patch key={p.id} hex={p.under[i]!} label={`${p.name}, ${d.name}`} wide="auto" high={40} sx={SQUARE} />
          ))}
        </Box>
      ))}
      <Box sx={{ display: 'flex', gap: 0.5, pl: '100px' }}>
        {palette.map((p) => (
          <Box key={p.id} sx={{ ...SQUARE, fontSize: 13, lineHeight: 1.15, hyphens: 'auto', overflowWrap: 'anywhere' }}>
            {p.name}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
