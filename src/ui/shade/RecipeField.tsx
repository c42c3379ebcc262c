'use client';
/** Wools of a blend by parts: one to four lots, each with its parts; what the blend comes out as beside it. */
import Box from '@mui/material/Box';
import { isMixed, mixed } from '@/core/wool/recipe';
import { recipePartSchema, smallPartSchema, type Recipe } from '@/core/piece/shade';
import { useDesk } from '@/desk/store';
import { Patch } from '@/ui/parts/Patch';
import { Fields } from '@/ui/parts/Fields';
import { WoolField } from '@/ui/parts/WoolField';
import { EditButton } from '@/ui/parts/Editable';
import { Ruled } from '@/ui/parts/Panel';

const EVEN = smallPartSchema.pick({ even: true });

interface RecipeFieldProps {
  readonly label: string;
  readonly recipe: Recipe;
  readonly even: number;
  readonly onChange: (recipe: Recipe, even: number) => void;
}

export function RecipeField({ label, recipe, even, onChange }: RecipeFieldProps) {
  const cupboard = useDesk((s) => s.cupboard);
  const hand = useDesk((s) => s.hand);
  const free = cupboard.lots.filter((l) => !recipe.some((r) => r.lotId === l.id));
  const m = mixed(recipe, even, cupboard, hand);
  const set = (i: number, change: Partial<Recipe[number]>) =>
    onChange(
      recipe.map((r, k) => (k === i ? { ...r, ...change } : r)),
      even,
    );
  return (
    <Ruled aria-label={label}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, fontSize: 13, minHeight: 32 }}>
        <b>{label}</b>
        <Box sx={{ flex: 1 }} />
        {isMixed(m) && <Patch hex={m.hex} />}
      </Box>
      {recipe.map((r, i) => (
        <Box key={i} role="group" aria-label={`Wool ${i + 1}`}>
          <WoolField
            label={`Wool ${i + 1}`}
            value={r.lotId}
            except={recipe.filter((x) => x !== r).map((x) => x.lotId)}
            onChange={(lotId) => lotId !== null && set(i, { lotId })}
          />
          {recipe.length > 1 && (
            <Box sx={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 1, alignItems: 'center' }}>
              <Fields schema={recipePartSchema} value={r} keys={['parts']} onChange={(change) => set(i, change)} />
              <EditButton
                aria-label={`Take wool ${i + 1} out of the blend`}
                onClick={() =>
                  onChange(
                    recipe.filter((_, k) => k !== i),
                    even,
                  )
                }
                sx={{ minWidth: 0, px: 1 }}
              >
                ×
              </EditButton>
            </Box>
          )}
        </Box>
      ))}
      {recipe.length < 4 && free.length > 0 && (
        <EditButton onClick={() => onChange([...recipe, { lotId: free[0]!.id, parts: 1 }], even)} sx={{ mt: 0.5 }}>
          Blend in another wool
        </EditButton>
      )}
      {recipe.length > 1 && (
        <Fields
          schema={EVEN}
          value={{ even }}
          keys={['even']}
          onChange={(change) => onChange(recipe, change.even ?? even)}
        />
      )}
    </Ruled>
  );
}
