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

const TO_CUT = ['rootMm', 'overShare', 'overLeastMm'] as const;
const WOOL = ['handlingLoss', 'unevenness'] as const;
const STABS = ['stabsPerCm', 'passesLine', 'passesFold', 'coreStabsPerCm3', 'surfaceStabsPerCm2'] as const;
const DENSE = ['loftDensityMgCm3', 'looseDensityMgCm3', 'wrapDensityMgCm3', 'feltedDensityMgCm3'] as const;
const BESIDE = ['readyMinutes', 'glueMinutes', 'dryMinutes'] as const;
const RECKONING = ['blendModel'] as const;

export function Rates() {
  const value = useDesk((s) => s.hand);
  const onChange = (change: Partial<Hand>) => editHand((d) => void Object.assign(d, change));
  const given = { value, onChange };
  return (
    <>
      <Ruled title="How long to cut">
        <Fields schema={handSchema} keys={TO_CUT} {...given} />
        <Own of={TO_CUT} />
      </Ruled>
      <Ruled title="How much wool">
        <Fields schema={handSchema} keys={WOOL} {...given} />
        <Own of={WOOL} />
      </Ruled>
      <Ruled title="Stabs and passes">
        <Fields schema={handSchema} keys={STABS} {...given} />
        <Own of={STABS} />
      </Ruled>
      <Ruled title="How dense it lies">
        <Fields schema={handSchema} keys={DENSE} {...given} />
        <Own of={DENSE} />
      </Ruled>
      <Ruled title="How dense a core is felted">
        {(Object.keys(value.coreDensityMgCm3) as (keyof Hand['coreDensityMgCm3'])[]).map((k) => {
          const d = value.coreDensityMgCm3[k];
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
        <Own of={['coreDensityMgCm3']} />
      </Ruled>
      <Ruled title="Time beside the work">
        <Fields schema={handSchema} keys={BESIDE} {...given} />
        <Own of={BESIDE} />
      </Ruled>
      <Ruled title="Reckoning">
        <Fields schema={handSchema} keys={RECKONING} {...given} />
        <Own of={RECKONING} />
      </Ruled>
    </>
  );
}

/** Which of them are the maker's own, each set back by itself; what is not named is a first value. */
function Own({ of }: { of: readonly Key[] }) {
  const hand = useDesk((s) => s.hand);
  const { q } = useUnits();
  return of.map((key) => {
    const first = defaultHand[key];
    if (alike(hand[key], first)) return null;
    const says = saysOf(handSchema.shape[key]);
    const called = says?.label ?? 'Density of cores';
    const words =
      typeof first === 'number'
        ? `${q({ kind: says?.kind ?? 'number', value: first })}${says?.unit ? ` ${says.unit}` : ''}`
        : (says?.words?.[String(first)] ?? null);
    return (
      <Box key={key} sx={{ fontSize: 13, color: 'text.secondary', mb: 0.5 }}>
        {called} is your own{words ? `; the first value was ${words}` : ''}.{' '}
        <Button
          size="small"
          variant="text"
          aria-label={`Back to the first value: ${called}`}
          onClick={() => editHand((d) => void Object.assign(d, { [key]: structuredClone(first) }))}
        >
          Set back
        </Button>
      </Box>
    );
  });
}
