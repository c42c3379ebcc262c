'use client';
/** The maker's rates, grouped by what they are for: each says whether it is a first value or the maker's own, and can be set back by itself. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { alike } from '@/core/alike';
import { saysOf } from '@/core/piece/fields';
import { defaultHand, handSchema, type Hand } from '@/core/piece/hand';
import { editHand, useDesk } from '@/desk/store';
import { Fields } from '@/ui/parts/Fields';
import { Ruled } from '@/ui/parts/Panel';
import { useUnits } from '@/ui/parts/useUnits';

type Key = keyof Hand & keyof typeof handSchema.shape;

const GROUPS: readonly { readonly title: string; readonly keys: readonly Key[] }[] = [
  { title: 'How long to cut', keys: ['rootMm', 'overShare', 'overLeastMm'] },
  { title: 'How much wool', keys: ['handlingLoss', 'unevenness'] },
  {
    title: 'Stabs and passes',
    keys: ['stabsPerCm', 'passesLine', 'passesFold', 'coreStabsPerCm3', 'surfaceStabsPerCm2'],
  },
  {
    title: 'How dense it lies',
    keys: ['loftDensityMgCm3', 'looseDensityMgCm3', 'wrapDensityMgCm3', 'feltedDensityMgCm3'],
  },
  { title: 'Time beside the work', keys: ['readyMinutes', 'glueMinutes', 'dryMinutes'] },
  { title: 'Reckoning', keys: ['blendModel'] },
];

export function Rates() {
  const hand = useDesk((s) => s.hand);
  return (
    <>
      {GROUPS.map((g) => (
        <Ruled key={g.title} title={g.title}>
          {g.keys.map((key) => (
            <Box key={key}>
              <Fields
                schema={handSchema}
                value={hand}
                keys={[key]}
                onChange={(change) => editHand((d) => void Object.assign(d, change))}
              />
              <Whose of={key} />
            </Box>
          ))}
        </Ruled>
      ))}
      <Ruled title="How dense a core is felted">
        {(Object.keys(hand.coreDensityMgCm3) as (keyof Hand['coreDensityMgCm3'])[]).map((k) => {
          const d = hand.coreDensityMgCm3[k];
          return (
            <Fields
              key={k}
              schema={handSchema.shape.coreDensityMgCm3.shape[k]}
              value={d}
              keys={['usual']}
              within={{ usual: { least: d.least, most: d.most } }}
              onChange={(change) => editHand((x) => void Object.assign(x.coreDensityMgCm3[k], change))}
            />
          );
        })}
        <Whose of="coreDensityMgCm3" />
      </Ruled>
    </>
  );
}

/** Said only of the maker's own: all else is a first value. */
function Whose({ of }: { of: Key }) {
  const value = useDesk((s) => s.hand[of]);
  const { q } = useUnits();
  if (alike(value, defaultHand[of])) return null;
  const says = saysOf(handSchema.shape[of]);
  const first = defaultHand[of];
  const words =
    typeof first === 'number'
      ? `${q({ kind: says?.kind ?? 'number', value: first })}${says?.unit ? ` ${says.unit}` : ''}`
      : (says?.words?.[String(first)] ?? null);
  return (
    <Box sx={{ fontSize: 13, color: 'text.secondary', mb: 0.5 }}>
      Your own{words ? `; the first value was ${words}` : ''}.{' '}
      <Button
        size="small"
        variant="text"
        aria-label={`Back to the first value: ${says?.label ?? 'density of cores'}`}
        onClick={() => editHand((d) => void Object.assign(d, { [of]: structuredClone(first) }))}
      >
        Set back
      </Button>
    </Box>
  );
}
