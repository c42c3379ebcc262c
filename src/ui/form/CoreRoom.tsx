'use client';
/** Core: what to build under the coat, how it is built, and the part in hand cut across. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { Firmness } from '@/core/build/firmness';
import type { UnderFur } from '@/core/build/under-fur';
import { coreSchema } from '@/core/piece/schema';
import { editPiece, useDesk } from '@/desk/store';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { FactList } from '@/ui/parts/FactList';
import { Fields } from '@/ui/parts/Fields';
import { OpenedFigure } from '@/ui/parts/Opened';
import { useUnits } from '@/ui/parts/useUnits';
import { SectionPicture } from '@/ui/pictures/SectionPicture';
import { Sentence } from '@/ui/parts/Figures';

export function CoreRoom({ findings }: { findings: ReactNode }) {
  const piece = useDesk((s) => s.piece)!;
  const core = useDesk((s) => s.plan?.core);
  const partId = useDesk((s) => s.view.partId);
  const { q, spanWords } = useUnits();
  const part = core?.parts.find((p) => p.id === partId);
  const of = {
    schema: coreSchema,
    value: piece.core,
    onChange: (change: Partial<typeof piece.core>) => editPiece((d) => void Object.assign(d.core, change)),
  };
  return (
    <>
      {core && (
        <Sentence>
          {core.there ? (
            <>
              The core is your own base, <b>{q({ kind: 'volume', value: core.volumeMm3 })}</b>; nothing of it is felted.
              The coat adds outward.
            </>
          ) : core.skin ? (
            <>
              Build the core from <b>{q({ kind: 'mass', value: core.massG })}</b> of wool (
              {spanWords(core.span, 'mass')}), <b>{q({ kind: 'volume', value: core.volumeMm3 })}</b>, firm in about{' '}
              <OpenedFigure figure={core.minutes} />.
            </>
          ) : core.undrawn ? (
            'The core could not be worked out.'
          ) : (
            'The coat is thicker than the animal: nothing of the core is left.'
          )}
        </Sentence>
      )}
      {findings}
      {!core?.there && (
        <Box role="group" aria-label="How the core is built" sx={{ display: 'grid', gap: 0.75, mt: 1 }}>
          <Fields {...of} keys={['school']} />
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            {piece.core.school === 'under-built'
              ? 'The coat brings the animal to its finished size. Costs: a thin core where the coat is thick.'
              : 'Quick and sturdy, and right for a thin coat only: under long fur the animal comes out too fat.'}
          </Typography>
          <Fields {...of} keys={piece.core.school === 'full-size' ? ['lotId'] : ['allowanceMm', 'lotId']} />
        </Box>
      )}
      {part && !core?.there && (
        <Box role="group" aria-label={`Core of ${part.name}`} sx={{ mt: 2 }}>
          <Typography variant="h3" sx={{ mb: 0.5 }}>
            {part.name}
            {part.count === 2 ? ', each of two' : ''}
          </Typography>
          <ChoiceRow
            labelled
            label="Built"
            options={(['firm', 'with give', 'lofty pad', 'flat felt'] as const).map((f) => ({ value: f, says: f }))}
            value={part.firmness}
            onChange={(f: Firmness) =>
              editPiece((d) => {
                d.core.soft = d.core.soft.filter((s) => s.part !== part.id);
                if (f !== 'firm') d.core.soft.push({ part: part.id, firmness: f });
              })
            }
          />
          {part.firmness !== 'flat felt' && piece.core.school === 'under-built' && (
            <ChoiceRow
              labelled
              label="Under its fur"
              options={[
                { value: 'gives way', says: 'thinner by its fur' },
                { value: 'as drawn', says: 'as drawn, fur over it' },
                { value: 'wrapped wire', says: 'a wrapped wire' },
              ]}
              value={part.under}
              onChange={(way: UnderFur) =>
                editPiece((d) => {
                  d.core.under = d.core.under.filter((u) => u.part !== part.id);
                  if (way !== 'gives way') d.core.under.push({ part: part.id, way });
                })
              }
            />
          )}
          {part.under === 'wrapped wire' && !part.wrap && (
            <Typography variant="body2" role="status" sx={{ color: 'warning.main' }}>
              No wire is planned: choose one under Wire.
            </Typography>
          )}
          <FactList
            list={[
              {
                what: 'Across with its fur',
                value: part.withFurMm === null ? null : q({ kind: 'length', value: part.withFurMm }),
              },
              {
                what: 'Across the wrapped wire',
                value: part.wrap && q({ kind: 'fine', value: part.wrappedMm! }),
              },
              { what: 'Wool to wrap it', value: part.wrap && <OpenedFigure figure={part.wrap} /> },
              { what: 'Wool', value: <OpenedFigure figure={part.mass} /> },
              { what: 'Loose wool to start from', value: <OpenedFigure figure={part.loose} /> },
              { what: 'Length to make', value: part.length && <OpenedFigure figure={part.length} /> },
              { what: 'Fringe left at the joint', value: part.fringe && <OpenedFigure figure={part.fringe} /> },
              { what: 'Collar over the joint', value: part.collar && <OpenedFigure figure={part.collar} /> },
            ]}
          />
          <SectionPicture part={part} />
        </Box>
      )}
    </>
  );
}
